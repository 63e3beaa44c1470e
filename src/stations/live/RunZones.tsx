'use client';

import { useMemo } from 'react';
import { faults } from '@/core/catalogue';
import { capital } from '@/core/reasons';
import { useGuard } from '@/parts/useGuard';
import { type Actions, likeliest } from './useActions';
import { type Naming, type Neighbours, type useCues } from './useCoaching';
import { Zone } from './Zone';

/** The five large places along the foot. After a mark the first four are its likeliest names; Stop never moves. */
export function RunZones({
  enabled,
  kind,
  at,
  nextName,
  about,
  cues,
  naming,
  neighbours,
  actions,
}: {
  enabled: boolean;
  kind: string;
  /** Which stretch of the run this is: the way on means another thing in each. */
  at: number;
  nextName: string;
  /** In a group: the name of the person chosen, or null for everybody. */
  about: string | null;
  cues: ReturnType<typeof useCues>;
  naming: Naming;
  neighbours: Neighbours;
  actions: Actions;
}) {
  const { remedy } = naming;
  // The way on means another thing in each stretch, and a stretch ends by itself.
  const guard = useGuard(useMemo(() => ({ 3: String(at) }), [at]));
  return (
    <footer className="grid grid-cols-3 gap-2 bg-paper p-3 pt-0 max-sm:gap-1.5 max-sm:p-2 sm:grid-cols-5 upright:h-[min(7.5rem,10dvh)] lg:h-36 lg:gap-2.5">
      {naming.open && !naming.all ? (
        <>
          {naming.order.slice(0, likeliest).map((fault, i) => (
            <Zone
              key={fault}
              title={capital(faults[fault].words)}
              hint={`${i + 1} · name it`}
              onPress={guard(i, () => naming.name(fault))}
            />
          ))}
          <Zone title="Another" hint={`${likeliest + 1} · all faults`} onPress={guard(likeliest, naming.showAll)} />
        </>
      ) : (
        <>
          <Zone
            title={about ? `Fault, ${about}` : 'Fault'}
            hint="F · stamps the time"
            disabled={!enabled}
            onPress={guard(0, naming.mark)}
          />
          {remedy ? (
            <Zone title="Cue again" hint="C" disabled={!enabled} onPress={guard(1, naming.drop)} />
          ) : (
            <Zone
              title={cues.answer === null ? 'Cue landed' : 'Next cue'}
              hint={cues.answer === null ? 'C' : cues.nextWords}
              disabled={!enabled}
              onPress={guard(1, () => (cues.answer === null ? cues.landed('yes') : cues.next()))}
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
            onPress={guard(2, () =>
              neighbours.readiness.met && neighbours.harder ? neighbours.takeHarder() : neighbours.takeEasier(),
            )}
          />
          <Zone
            title={kind === 'breaths' ? 'Next' : 'Ready'}
            hint={kind === 'breaths' ? nextName : 'begin at once'}
            disabled={!enabled}
            onPress={guard(3, actions.next)}
          />
        </>
      )}
      <Zone title={about ? `■ Stop ${about}` : '■ Stop'} hint="Esc" stop disabled={!enabled} onPress={actions.stop} />
    </footer>
  );
}
