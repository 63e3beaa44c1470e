'use client';

import dynamic from 'next/dynamic';
import { memo } from 'react';
import { flaggedConditions } from '@/core/safety';
import { patiently } from '@/parts/patiently';
import { PathStop } from '../PathStop';
import { drawnAsShown } from '../useShown';
import { type ClientView } from '../view';
import { LoadStation } from './LoadStation';

// What makes a drill of a load checks it with the whole of the catalogue’s schema: nobody begins with that.
const IntoPlan = memo(
  dynamic(() => patiently(() => import('./IntoPlan')).then(({ IntoPlan }) => IntoPlan), {
    loading: () => <div className="min-h-11" />,
  }),
);

/** Breath under load for a client: held against what was told, put into today's plan, and logged with today's visit. */
export const ClientLoad = drawnAsShown(function ClientLoad({
  view,
}: {
  view: ClientView<'looks' | 'plan' | 'planning'>;
}) {
  if (view.path.state !== 'open') return <PathStop view={view} />;
  const flagged = flaggedConditions(view.known.profile, view.today);
  return (
    <LoadStation
      keepAs={view.id}
      weights={view.settings.weightUnit}
      gates={view.gates}
      cautions={flagged.length > 0 ? flagged.join(', ') : null}
      log={view.visit && { visitId: view.visit.id, lifts: view.visit.lifts }}
      intoPlan={(load, sets, times) => <IntoPlan {...{ view, load, sets, times }} />}
    />
  );
});
