import { bodyProps, propList } from '@/core/catalogue';
import { defaultSettings } from '@/core/record';
import { PutAside } from '@/stations/settings/PutAside';
import { SettingsForm } from '@/stations/settings/SettingsForm';
import { asker, placeNow, setAsideRecords, theStore } from '@/store';
import { loadSettings, todayIn } from '../../load';
import { StudioShell } from '../StudioShell';

export const metadata = { title: 'Settings' };

/** Props a room may have. */
const ownable = propList.flatMap(({ id, name }) => (bodyProps.includes(id) ? [] : [{ id, name }]));

export default function SettingsPage() {
  const { timeZone } = loadSettings();
  const owner = asker().role === 'owner';
  return (
    <StudioShell>
      <h1 className="text-2xl">Settings</h1>
      <p className="mb-6 text-ink2">
        {owner ? 'For this studio; saved as you type.' : 'For this studio, as its owner set it.'}
      </p>
      <SettingsForm
        settings={loadSettings()}
        asOf={placeNow(theStore())}
        today={todayIn(timeZone)}
        usual={defaultSettings}
        ownable={ownable}
        owner={owner}
      />
      <PutAside records={setAsideRecords(theStore())} zone={timeZone} />
    </StudioShell>
  );
}
