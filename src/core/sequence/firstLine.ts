import { findDrill } from '../catalogue';
import { patterns } from '../read';
import { asPart } from '../reasons';
import { type Gathered } from './candidates';
import { orderOfWorkFor } from './orderOfWork';
import { type PlanRequest } from './planSchema';
import { firstAnswersFrom } from './rules';

/** How many of the first answers a plan must hold. @example firstAnswers(20) // 2 */
export const firstAnswers = (minutes: number): number => firstAnswersFrom.find(([from]) => minutes >= from)![1];

/** What a plan must hold of the order of work, and in plain words what stands in or is left out. */
export interface FirstLine {
  musts: string[];
  /** One sentence for each step that is not done as usual. */
  notes: string[];
}

/**
 * The first answers of the lead pattern that can be planned today. A step whose usual drill is gated, lacks a prop or was
 * taken out is done by what stands in for it; where nothing does, that is said.
 *
 * @param lead the pattern that was confirmed first; none, and nothing must be in
 * @param most how many steps
 */
export function firstLineOf(
  lead: string | undefined,
  request: PlanRequest,
  { candidates, refusals }: Pick<Gathered, 'candidates' | 'refusals'>,
  most = firstAnswers(request.minutes),
): FirstLine {
  const found: FirstLine = { musts: [], notes: [] };
  if (lead === undefined) return found;
  const can = new Set(candidates.map(({ drill }) => drill.id));
  const name = patterns.find(({ id }) => id === lead)?.name ?? lead;
  const nameOf = (id: string) => findDrill(id)?.name ?? id;
  const why = (id: string) => {
    const refused = refusals.find(({ drillId }) => drillId === id)?.reason.what;
    return refused ? asPart(refused) : 'it can’t be planned today';
  };
  for (const step of orderOfWorkFor(lead, request.leadSchool).slice(0, most)) {
    const [usual] = step;
    const does = step.find((id) => can.has(id) && !found.musts.includes(id));
    if (does) found.musts.push(does);
    if (does === usual) continue;
    found.notes.push(
      does
        ? `${nameOf(does)} stands in for ${nameOf(usual!)}, a first answer to “${name}”: ${why(usual!)}.`
        : `A first answer to “${name}” is left out, ${nameOf(usual!)}: ${why(usual!)}.`,
    );
  }
  return found;
}
