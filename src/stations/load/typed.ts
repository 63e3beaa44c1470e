import {
  type LoadAnswer,
  type LoadAsked,
  type Movement,
  type OwnMovement,
  type WeightUnit,
  asOwn,
  componentsFrom,
  findMovement,
  goneTo,
  inUnit,
  kgOf,
  loadsOf,
  movementOf,
  ordinaryBodyKg,
  reachOf,
} from '@/core/load';

/** What is typed and turned, as it is typed: a number half written stays as it is. */
export interface Typed {
  movementId: string;
  hand: LoadAsked['hand'];
  toward: LoadAsked['toward'];
  weight: string;
  /** What the right hand holds, where it is another weight than the left; the one above is the left's then. */
  otherWeight?: string;
  unit: WeightUnit;
  repetitions: string;
  effort: string;
  /** The most for one lift, where it is known. */
  most?: string;
  /** Weights at hand, as they are written: "4, 8, 12"; of plates one of each pair, with the bar. */
  atHand?: string;
  plates?: boolean;
  bar?: string;
  /** Sets and repetitions as they were chosen, by how breath and load go together: what was meant for a light load is not for a heavy one. */
  chosen?: Partial<Record<LoadAnswer['strategy'], { sets?: number; times?: number }>>;
  /** How far the movement goes, in the measure it goes by most; as the library has it where nothing is written. */
  farEnd?: string;
  /** A movement of one's own, each number as it is typed. */
  own?: TypedMovement | null;
}

/** What was typed for each movement, so that whoever looks at another finds it again. */
export interface Kept extends Typed {
  before?: Record<string, Typed>;
}

export type StanceKey = keyof Movement['parts'][number]['from'];

/** A movement being described: where it begins, and after each part where it has gone to. */
export interface TypedMovement {
  id: string;
  name: string;
  seen: Movement['seen'];
  ground: Movement['ground'];
  hand: Movement['pull']['hand'];
  toward: OwnMovement['pull']['toward'];
  start: Record<StanceKey, string>;
  parts: { name: string; seconds: string; to: Record<StanceKey, string> }[];
  works: string;
  mistake: string;
}

export const begin = (movement: Movement, unit: WeightUnit = 'kg'): Typed => ({
  movementId: movement.id,
  hand: movement.pull.hand,
  toward: null,
  weight: movement.startKg === 0 ? '0' : String(Math.round(inUnit(movement.startKg, unit))),
  unit,
  repetitions: '',
  effort: '',
});

export const numberOf = (text: string): number => (text.trim() === '' ? Number.NaN : Number(text.replace(',', '.')));
const numberOrNull = (text: string): number | null => (text.trim() === '' ? null : numberOf(text));

const asText = (stance: Movement['parts'][number]['from']): Record<StanceKey, string> =>
  Object.fromEntries(Object.entries(stance).map(([key, value]) => [key, String(value)])) as Record<StanceKey, string>;
const asNumbers = (texts: Record<StanceKey, string>): Movement['parts'][number]['from'] =>
  Object.fromEntries(Object.entries(texts).map(([key, text]) => [key, numberOf(text)])) as unknown as ReturnType<
    typeof asNumbers
  >;

/** A movement of the library as the beginning of one's own. */
export const describe = (movement: Movement, id: string): TypedMovement => ({
  id,
  name: `${movement.name}, ours`.slice(0, 60),
  seen: movement.seen,
  ground: movement.ground,
  hand: movement.pull.hand,
  toward: movement.pull.toward,
  start: asText(movement.parts[0]!.from),
  parts: movement.parts.map(({ name, seconds, to }) => ({ name, seconds: String(seconds), to: asText(to) })),
  works: movement.works,
  mistake: movement.mistake,
});

/** A movement as it is described, in numbers; what is half typed is no number, and is told of. */
function describedOf(typed: TypedMovement, kg: number): OwnMovement {
  const ends = [typed.start, ...typed.parts.map(({ to }) => to)].map(asNumbers);
  const movement = {
    id: typed.id,
    name: typed.name,
    seen: typed.seen,
    ground: typed.ground,
    works: typed.works,
    parts: typed.parts.map(({ name, seconds }, at) => ({
      name,
      from: ends[at]!,
      to: ends[at + 1]!,
      seconds: numberOf(seconds),
    })),
    pull: { hand: typed.hand, toward: typed.toward },
    startKg: Number.isFinite(kg) && kg > 0 ? kg : 0,
    mistake: typed.mistake,
  };
  return { ...movement, components: componentsFrom(movement) };
}

/** The movement a question is about, before it is mirrored or loaded. */
export function movementAsked(typed: Typed): Movement {
  const { own, movementId, weight, unit } = typed;
  if (own) return movementOf({ movementId: own.id, own: describedOf(own, kgOf(numberOf(weight), unit)) });
  return findMovement(movementId)!;
}

/** How many times as far as the library has it; 1 where nothing is written. */
const reachTyped = (movement: Movement, farEnd = ''): number =>
  farEnd.trim() === '' ? 1 : reachOf(movement, numberOf(farEnd));

export function askedOf(typed: Typed): LoadAsked {
  const { movementId, hand, toward, weight, otherWeight, unit, repetitions, effort, farEnd, own, most = '' } = typed;
  const told = movementAsked(typed);
  const reach = own ? 1 : reachTyped(told, farEnd);
  const [left, right] = [kgOf(numberOf(weight), unit), kgOf(numberOf(otherWeight ?? ''), unit)];
  const two = otherWeight !== undefined && told.pull.hand === 'both';
  return {
    movementId,
    own: own ? asOwn(told) : reach === 1 ? null : goneTo(told, reach),
    hand: own ? told.pull.hand : hand,
    toward: toward ?? null,
    kg: two ? left + right : left,
    ...(two ? { leftShare: left + right > 0 ? left / (left + right) : 0.5 } : {}),
    repetitions: numberOrNull(repetitions),
    effort: numberOrNull(effort),
    ...(most.trim() === '' ? {} : { mostKg: kgOf(numberOf(most), unit) }),
    bodyKg: ordinaryBodyKg,
  };
}

/** Weights at hand, in kg: written one after the other, or what the bar and its pairs of plates come to. */
export function weightsAtHand({ atHand = '', plates = false, bar = '', unit }: Typed): number[] {
  const found = atHand
    .split(/[;,\s]+/)
    .map(Number)
    .filter((one) => Number.isFinite(one) && one > 0)
    .map((one) => kgOf(one, unit));
  const barKg = kgOf(numberOf(bar), unit);
  // More pairs than lie in any rack say nothing more, and double what is to be added up.
  return plates ? loadsOf(Number.isFinite(barKg) && barKg > 0 ? barKg : 0, found.slice(0, 12)) : found;
}
