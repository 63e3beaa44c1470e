import { capital } from '../reasons';
import { type TouchConsent } from '../safety';
import { type Without } from './define';
import { type LookPosition } from './positions';
import { type ProtocolId, protocols } from './protocols';

/**
 * The set-up of a protocol as it is for somebody today: without words for a position that is off, or for hands they have not agreed to.
 *
 * @param allowed the positions that are not off, the one begun with first
 * @example setUpFor('regionMap', ['sitting'], 'no') // 'By eye alone, from the front and from the side. Five ordinary breaths, …'
 */
export function setUpFor(id: ProtocolId, allowed: readonly LookPosition[], touch: TouchConsent): string {
  const { setUp, without } = protocols[id];
  const words = without && insteadOf(without, allowed, touch);
  return words ? setUp.replace(without.says, words) : setUp;
}

function insteadOf(
  { position, instead, hands }: Without,
  allowed: readonly LookPosition[],
  touch: TouchConsent,
): string | null {
  if (hands && touch !== 'yes') return hands[touch === 'own hands' ? touch : 'no'];
  const off = position !== undefined && !allowed.includes(position);
  return off && instead ? instead.replace('…', capital(allowed[0] ?? 'as they are')) : null;
}
