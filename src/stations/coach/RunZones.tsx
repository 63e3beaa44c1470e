'use client';

import { faults } from '@/core/catalogue';
import { capital } from '@/core/reasons';
import { type Actions, likeliest } from './useActions';
import { type Naming, type Neighbours, type useCues } from './useCoaching';
import { Zone } from './Zone';

/** The five large places along the foot. After a mark the first four are its likeliest names; Stop never moves. */
export function RunZones({
  enabled,
  kind,
  nextName,
  about,
  cues,
  naming,
  neighbours,
  actions,
}: {
  enabled: boolean;
  kind: string;
  nextName: string;
  /** In a group: the name of the person chosen, or null for everybody. */
  about: string | null;
  cues: ReturnType<typeof useCues>;
  naming: Naming;
  neighbours: Neighbours;
  actions: Actions;
}) {
  const { remedy } = naming;
  return (
    <footer className="grid grid-cols-3 gap-2 bg-paper p-3 pt-0 max-sm:gap-1.5 max-sm:p-2 sm:grid-cols-5 lg:h-36 lg:gap-2.5">
      {naming.open && !naming.all ? (
        <>
          {naming.order.slice(0, likeliest).map((fault, i) => (
            <Zone
              key={fault}
              title={capital(faults[fault].words)}
              hint={`${i + 1} · name it`}
              onPress={() => naming.name(fault)}
            />
          ))}
          <Zone title="Another" hint={`${likeliest + 1} · all faults`} onPress={naming.showAll} />
        </>
      ) : (
        <>
          <Zone
            title={about ? `Fault, ${about}` : 'Fault'}
            hint="F · stamps the time"
            disabled={!enabled}
            onPress={naming.mark}
          />
          {remedy ? (
            <Zone title="Cue again" hint="C" disabled={!enabled} onPress={naming.drop} />
          ) : (
            <Zone
              title={cues.answer === null ? 'Cue landed' : 'Next cue'}
              hint={cues.answer === null ? 'C' : cues.nextWords}
              disabled={!enabled}
              onPress={() => (cues.answer === null ? cues.landed('yes') : cues.next())}
            />
          )}
          <Zone
            title={neighbours.readiness.met && neighbours.harder ? 'Harder' : 'Easier'}
            hint={
              neighbours.readiness.met && neighbours.harder
                ? neighbours.harder
                : (neighbours.easier ?? 'no easier one here')
            }
            loud={remedy?.step === 'easier'}
            disabled={!enabled || (neighbours.easier === null && !(neighbours.readiness.met && neighbours.harder))}
            onPress={() =>
              neighbours.readiness.met && neighbours.harder ? neighbours.takeHarder() : neighbours.takeEasier()
            }
          />
          <Zone
            title={kind === 'breaths' ? 'Next' : 'Ready'}
            hint={kind === 'breaths' ? nextName : 'begin at once'}
            disabled={!enabled}
            onPress={actions.next}
          />
        </>
      )}
      <Zone title={about ? `■ Stop ${about}` : '■ Stop'} hint="Esc" stop disabled={!enabled} onPress={actions.stop} />
    </footer>
  );
}
