import { PutAside } from '@/stations/settings/PutAside';
import { SettingsForm } from '@/stations/settings/SettingsForm';
import { placeNow, setAsideRecords, theStore } from '@/store';
import { loadSettings } from '../../load';
import { StudioShell } from '../StudioShell';

export const metadata = { title: 'Settings' };

export default function SettingsPage() {
  const { timeZone } = loadSettings();
  return (
    <StudioShell>
      <h1 className="text-2xl">Settings</h1>
      <p className="mb-6 text-ink2">For this studio; saved as you type.</p>
      <SettingsForm settings={loadSettings()} asOf={placeNow(theStore())} />
      <PutAside records={setAsideRecords(theStore())} zone={timeZone} />
    </StudioShell>
  );
}
