import { type LoadAnswer, type LoadAsked } from './answer';
import { type DrillLoad } from './schema';
import { type WeightUnit, downToHalf } from './weight';

/**
 * The load of a drill made from an answer. Who may hold no breath gets it as light as the breath goes with it, to the half kilogram or pound below;
 * null where it is too heavy and nobody knows how light that is, or where it is off.
 *
 * @example drillLoadOf(asked, answer, 'kg')?.kg // 8
 */
export function drillLoadOf(asked: LoadAsked, answer: LoadAnswer, unit: WeightUnit): DrillLoad | null {
  const { strategy, cautions, tooHeavy, breathesUpToKg, off } = answer;
  const kg = tooHeavy ? downToHalf(breathesUpToKg ?? 0, unit) : asked.kg;
  if (off || (tooHeavy && kg <= 0)) return null;
  return {
    movementId: asked.own?.id ?? asked.movementId,
    own: asked.own ?? null,
    toward: asked.toward ?? null,
    kg,
    strategy,
    ...(asked.leftShare === undefined ? {} : { leftShare: asked.leftShare }),
    through: cautions.some(({ code }) => code !== 'noHeldBreath'),
  };
}
