import { type ProtocolId, protocols } from '../look';
import { lowered } from '../reasons';
import { evenId } from './patterns';
import { type Likely, type PatternScore } from './score';
import { strengthOf } from './strength';
import { studied } from './studied';

/** The look that would tell most next, for its minutes. */
export interface NextLook {
  protocol: ProtocolId;
  /** It was taken already: a second reading of what decides. */
  again: boolean;
  why: string;
}

/** So many points short of leading, a pattern is worth another look. */
const nearlyWithin = 3;

type Told = readonly (readonly [string, number])[];
const bits: Readonly<Record<string, Told>> = studied.settles as unknown as Readonly<Record<string, Told>>;

/**
 * Protocols by what they tell two patterns apart for their minutes, best first; from the simulated study.
 *
 * @param one and the other: pattern ids, in either order
 */
function settlesBetween(one: string, other: string): readonly (readonly [ProtocolId, number])[] {
  return (bits[`${one} ${other}`] ?? bits[`${other} ${one}`] ?? []) as readonly (readonly [ProtocolId, number])[];
}

/**
 * What to look at next: between two that are close what tells them apart, else what tells the lead, or what nearly leads,
 * from an even person. What was not looked at yet comes first; then what decided is looked at a second time, since one
 * reading is the commonest way to be wrong. Null where nothing would tell much.
 *
 * @param taken protocols looked at today; `again` those that were looked at twice
 * @example nextLook(likely, ['regionMap'], []) // { protocol: 'twoHands', again: false, why: 'two hands tells “upper-chest lead” from an even breath' }
 */
export function nextLook(
  likely: Likely,
  taken: readonly ProtocolId[],
  again: readonly ProtocolId[],
  allowed: (protocol: ProtocolId) => boolean = () => true,
): NextLook | null {
  const { shown, hinted, tie } = likely;
  const [first, second] = shown;
  const leads = first && first.pattern.id !== evenId ? first : null;
  const nearly = hinted
    .filter(({ pattern, balance }) => pattern.id !== evenId && pattern.leadsFrom - balance <= nearlyWithin)
    .sort((a, b) => b.balance - b.pattern.leadsFrom - (a.balance - a.pattern.leadsFrom))[0];
  const doubted = leads ?? nearly;
  // What stands strongly and alone needs no more looking.
  if (!doubted || (leads && !tie && strengthOf(leads) === 'strong')) return null;
  const other = leads && tie && second ? second.pattern : null;
  const told = settlesBetween(doubted.pattern.id, other?.id ?? evenId).filter(([protocol]) => allowed(protocol));
  const apart = other
    ? `tells “${doubted.pattern.name}” from “${other.name}”`
    : `tells “${doubted.pattern.name}” from an even breath`;
  const fresh = told.find(([protocol]) => !taken.includes(protocol));
  const decided = decidedBy(doubted).filter(
    (protocol) => taken.includes(protocol) && !again.includes(protocol) && allowed(protocol),
  );
  if (fresh) return { protocol: fresh[0], again: false, why: `${lowered(protocols[fresh[0]].name)} ${apart}` };
  const [twice] = decided;
  if (!twice) return null;
  return {
    protocol: twice,
    again: true,
    why: `${lowered(protocols[twice].name)} decides here; a second reading ${apart}`,
  };
}

/** Protocols by how much of a pattern's points they gave, the most first. */
function decidedBy({ evidenceFor, evidenceAgainst }: PatternScore): ProtocolId[] {
  const given = new Map<ProtocolId, number>();
  for (const { protocol, points } of [...evidenceFor, ...evidenceAgainst]) {
    given.set(protocol, (given.get(protocol) ?? 0) + Math.abs(points));
  }
  return [...given].sort((a, b) => b[1] - a[1]).map(([protocol]) => protocol);
}
