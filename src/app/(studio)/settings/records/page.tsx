import { basename } from 'node:path';
import { RecordsPage } from '@/stations/records/RecordsPage';
import {
  backupNote,
  backupsIn,
  backupsOf,
  copiesOf,
  copyFailed,
  isSealed,
  isSealing,
  secondFailed,
  secondPlace,
  storePath,
  studioKind,
} from '@/store';
import { loadSettings, todayIn } from '../../../load';
import { StudioShell } from '../../StudioShell';

export const metadata = { title: 'Records' };
export const dynamic = 'force-dynamic';

export default function Page() {
  const path = storePath();
  return (
    <StudioShell>
      <h1 className="text-2xl">Records</h1>
      <RecordsPage
        zone={loadSettings().timeZone}
        demo={studioKind() === 'demo'}
        folder={backupsOf(path)}
        copies={copiesOf(path).map(({ folder, at, clients, visits, photos, bytes }) => ({
          name: basename(folder),
          locked: isSealed(folder),
          at,
          clients,
          visits,
          photos,
          bytes,
        }))}
        byHand={backupsIn(backupsOf(path))
          .filter((one) => basename(one).startsWith(basename(path, '.db')))
          .map((one) => ({ ...backupNote(one), name: basename(one), locked: isSealed(one) }))
          .slice(0, 10)}
        failed={copyFailed(path)}
        locked={isSealing(path)}
        second={{ folder: secondPlace(path), failed: secondFailed(path) }}
        today={todayIn(loadSettings().timeZone)}
      />
    </StudioShell>
  );
}
