/**
 * The code a client brings back: what was done on each of fourteen days, how it felt, signs, and which plan it belongs to.
 *
 * A number in mixed radix, written in an alphabet of 23 letters and figures without look-alikes. 23 is a prime and the places
 * have weights that all differ, so a check place catches every single wrong letter and every two that changed places (the
 * argument of the book-number check, derivable).
 */
const alphabet = 'ACDEFHJKLMNPRTVWXY34679';
const base = BigInt(alphabet.length);

/** Letters of a code with its check. */
export const codeLetters = 20;
const days = 14;
const things = 3;

/** How much of what was asked was done on a day. */
export const doneLevels = ['none', 'some', 'all'] as const;
export type DoneLevel = (typeof doneLevels)[number];

/** How something felt over the days. */
export const feltLevels = ['not said', 'easier', 'the same', 'harder'] as const;
export type FeltLevel = (typeof feltLevels)[number];

/** Signs a client can tick, in plain words. */
export const homeSigns = ['dizzy', 'tingling', 'headache', 'pain', 'leaking'] as const;
type HomeSign = (typeof homeSigns)[number];

export interface HomeReturn {
  /** A row a day from the first, with one level a thing that went home, in their order. */
  done: readonly (readonly DoneLevel[])[];
  felt: readonly FeltLevel[];
  signs: readonly HomeSign[];
}

const stamps = 331n;

/**
 * A number by which a code is known to belong to a plan.
 *
 * @param id of the plan
 * @returns 0 to 330; two plans have the same by chance once in 331
 */
function stampOf(id: string): number {
  let value = 7n;
  for (const letter of id) value = (value * 131n + BigInt(letter.charCodeAt(0))) % 1_000_000_007n;
  return Number(value % stamps);
}

/** What is written, in order, each with how many values it can have. */
function* places(): Generator<{ many: bigint; kind: 'done' | 'felt' | 'sign' | 'stamp'; day: number; thing: number }> {
  for (let day = 0; day < days; day += 1)
    for (let thing = 0; thing < things; thing += 1) yield { many: 3n, kind: 'done', day, thing };
  for (let thing = 0; thing < things; thing += 1) yield { many: 4n, kind: 'felt', day: 0, thing };
  for (let sign = 0; sign < homeSigns.length; sign += 1) yield { many: 2n, kind: 'sign', day: 0, thing: sign };
  yield { many: stamps, kind: 'stamp', day: 0, thing: 0 };
}

/** Weights of the places, from the first: all different and none a multiple of 23. */
const checkOf = (values: readonly number[]) =>
  values.reduce((sum, value, at) => sum + (at + 1) * value, 0) % alphabet.length;

/**
 * Writes a code.
 *
 * @param planId of the plan it tells of
 * @returns five groups of four
 * @example readCode(codeOf(told, 'plan'), 'plan').told.signs // ['dizzy']
 */
export function codeOf({ done, felt, signs }: HomeReturn, planId: string): string {
  let number = 0n;
  let by = 1n;
  for (const { many, kind, day, thing } of places()) {
    const value =
      kind === 'done'
        ? doneLevels.indexOf(done[day]?.[thing] ?? 'none')
        : kind === 'felt'
          ? feltLevels.indexOf(felt[thing] ?? 'not said')
          : kind === 'sign'
            ? Number(signs.includes(homeSigns[thing]!))
            : stampOf(planId);
    number += BigInt(value) * by;
    by *= many;
  }
  const values: number[] = [];
  for (let at = 0; at < codeLetters - 1; at += 1) {
    values.push(Number(number % base));
    number /= base;
  }
  // The last place is chosen so that the weighted sum of all is a multiple of 23; its own weight is 20.
  const open = checkOf(values);
  const last = Array.from({ length: alphabet.length }, (_, value) => value).find(
    (value) => (open + codeLetters * value) % alphabet.length === 0,
  )!;
  const letters = [...values, last].map((value) => alphabet[value]).join('');
  return letters.match(/.{4}/g)!.join(' ');
}

type CodeRead = { ok: true; told: HomeReturn } | { ok: false; why: string };

/**
 * Reads a code as it was typed: small letters, gaps and hyphens don't matter.
 *
 * @param planId of the plan it should tell of
 * @param asked how many things went home, 1 to 3; more were not asked about in the code
 */
export function readCode(typed: string, planId: string, asked = things): CodeRead {
  const letters = [...typed.toUpperCase().replace(/[\s\-–.]/g, '')];
  const strange = letters.find((letter) => !alphabet.includes(letter));
  if (strange !== undefined) return { ok: false, why: `“${strange}” is in no code. Look at that letter again.` };
  if (letters.length !== codeLetters)
    return {
      ok: false,
      why: `A code has ${codeLetters} letters; these are ${letters.length}. Look for one that is missing or there twice.`,
    };
  const values = letters.map((letter) => alphabet.indexOf(letter));
  if (checkOf(values) !== 0)
    return { ok: false, why: 'One letter is not right, or two have changed places. Compare it with the phone again.' };
  let number = values.slice(0, -1).reduceRight((sum, value) => sum * base + BigInt(value), 0n);
  const done: DoneLevel[][] = [];
  const felt: FeltLevel[] = [];
  const signs: HomeSign[] = [];
  let stamp = -1;
  for (const { many, kind, day, thing } of places()) {
    const value = Number(number % many);
    number /= many;
    if (kind === 'done') (done[day] ??= []).push(doneLevels[value]!);
    else if (kind === 'felt') felt.push(feltLevels[value]!);
    else if (kind === 'sign' && value === 1) signs.push(homeSigns[thing]!);
    else if (kind === 'stamp') stamp = value;
  }
  if (number !== 0n || stamp !== stampOf(planId))
    return { ok: false, why: 'This code belongs to another plan: an older one, or somebody else’s.' };
  const kept = Math.max(1, Math.min(things, asked));
  return { ok: true, told: { done: done.map((day) => day.slice(0, kept)), felt: felt.slice(0, kept), signs } };
}

/**
 * On how many of the days asked everything was done, and on how many more something.
 *
 * @example daysKept(told, 14) // { whole: 9, some: 3 }
 */
export function daysKept({ done }: Pick<HomeReturn, 'done'>, daysAsked: number): { whole: number; some: number } {
  const asked = done.slice(0, daysAsked);
  const whole = asked.filter((day) => day.every((level) => level === 'all')).length;
  return { whole, some: asked.filter((day) => day.some((level) => level !== 'none')).length - whole };
}

/**
 * What a code tells, in words.
 *
 * @example toldInWords(told, 14) // 'Everything on 9 of 14 days, something on 3 more. Ticked: dizzy.'
 */
export function toldInWords({ done, felt, signs }: HomeReturn, daysAsked: number): string {
  const { whole, some } = daysKept({ done }, daysAsked);
  const parts = [
    whole + some === 0
      ? `Nothing was ticked on ${daysAsked} days.`
      : `Everything on ${whole} of ${daysAsked} days${some > 0 ? `, something on ${some} more` : ''}.`,
  ];
  const said = felt.filter((level) => level !== 'not said');
  if (said.length > 0) parts.push(`It felt ${[...new Set(said)].join(', ')}.`);
  if (signs.length > 0) parts.push(`Ticked: ${signs.join(', ')}.`);
  return parts.join(' ');
}
