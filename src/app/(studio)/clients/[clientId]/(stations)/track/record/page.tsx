import { notFound } from 'next/navigation';
import { dayIn, momentInWords } from '@/core/record';
import { TheirRecord } from '@/stations/track/TheirRecord';
import { asker, awaySince, carersOf, coachesOf, mayGive, trailOf, trailState, wholeStore } from '@/store';
import { loadClient } from '../../../../../../load';

export const metadata = { title: 'Their record' };

export default async function RecordPage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const view = loadClient(clientId);
  if (!view) notFound();
  const store = wholeStore();
  const by = asker();
  const { timeZone } = view.settings;
  const carers = carersOf(store, clientId);
  const caring = new Set(carers.map(({ id }) => id));
  const away = awaySince(store, clientId);
  return (
    <TheirRecord
      clientId={clientId}
      name={view.name}
      visit={view.visit !== null}
      away={away && dayIn(away, timeZone)}
      care={
        by.coachId === null
          ? null
          : {
              carers: carers.map(({ id, name, kind }) => ({ id, name, kind })),
              others: coachesOf(store)
                .filter(({ id, endedAt }) => endedAt === null && !caring.has(id))
                .map(({ id, name }) => ({ id, name })),
              mayGive: mayGive(store, by, clientId),
            }
      }
      trail={trailOf(store, clientId).map(({ seq, at, coach, what }) => ({
        seq,
        at: momentInWords(at, timeZone),
        coach,
        what,
      }))}
      broken={trailState(store).brokenAt !== null}
      today={view.today}
    />
  );
}
