import { positions } from '../catalogue';
import { isHold } from '../dose';
import { type Drill } from '../catalogue';
import { type TrunkEffect } from '../trunk';
import { type PlanItem } from './planSchema';

/** An exhale this many times the inhale is a long one. Common practice. */
const longExhaleFrom = 1.5;

function breathOf(cadences: PlanItem['cadences']): string {
  if (cadences.length > 1) return 'a climb';
  if (cadences.some(isHold)) return 'a pause';
  const [{ inhaleSeconds, exhaleSeconds }] = cadences as [PlanItem['cadences'][number]];
  return exhaleSeconds >= longExhaleFrom * inhaleSeconds ? 'a long exhale' : 'a quiet breath';
}

/** Whichever side is up, it is done in one shape. */
const oneShape: Readonly<Partial<Record<TrunkEffect, string>>> = {
  'side-lying, left side up': 'side-lying',
  'side-lying, right side up': 'side-lying',
};

/**
 * What a drill is like to do, in words that are the same for drills a client would call the same thing again: the breath, and
 * the shape it is done in. What moves is like nothing but the same movement.
 *
 * @example likenessOf(hookStack, { position: 'hook-lying', cadences: [cadence(4, 6)] }) // 'a long exhale, lying on the back, still'
 */
export function likenessOf(
  { movement }: Drill,
  { position, cadences }: Pick<PlanItem, 'position' | 'cadences'>,
): string {
  const { base, effects, name } = positions[position];
  const [effect] = effects;
  const shape =
    effect === undefined || (effect === 'sitting' && base === 'floor') ? name : (oneShape[effect] ?? effect);
  return [breathOf(cadences), shape, movement === 'none' ? 'still' : movement].join(', ');
}
