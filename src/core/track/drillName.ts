import { type VisitRecord } from '../record';
import { knownDrill } from '../sequence';

/**
 * What a drill is called that something of a visit names by its id: as the visit's own items have it, which a drill of the coach's own
 * stands in whole; else as the catalogue has it; else its id.
 *
 * @example drillName(visit, 'towel-hug') // 'Towel round the ribs'
 */
export function drillName({ home, runs, plan }: Pick<VisitRecord, 'home' | 'runs' | 'plan'>, drillId: string): string {
  const items = [
    ...(home?.plan.items ?? []).map(({ item }) => item),
    ...runs.flatMap((run) => run.items),
    ...(plan?.plan.items ?? []),
  ];
  const own = items.find((item) => item.drillId === drillId)?.own;
  return own?.name ?? knownDrill({ drillId })?.name ?? drillId;
}
