import { addDays } from '@/core/record';
import { OwnBreathPage } from '@/stations/ownBreath/OwnBreath';
import { ownEntries, theStore } from '@/store';
import { StudioShell } from '../StudioShell';
import { loadSettings, todayIn } from '../../load';

export const metadata = { title: 'Own breath' };

/** How far back the list goes: long enough to see a week's habit, too short to collect. */
const days = 21;

export default function OwnBreath() {
  const today = todayIn(loadSettings().timeZone);
  return (
    <StudioShell>
      <h1 className="text-2xl">Own breath</h1>
      <p className="mb-6 text-ink2">Yours, kept apart from clients.</p>
      <OwnBreathPage entries={ownEntries(theStore(), addDays(today, -days))} today={today} />
    </StudioShell>
  );
}
