import { type LookRecord, type LookSetId, type ProtocolId, lookList, protocols } from '../look';
import {
  type Finding,
  type Likely,
  type Strength,
  evenId,
  likelyPatterns,
  nextLook,
  readFindings,
  scorePatterns,
  strengthOf,
  strengths,
} from '../read';
import { type Chance, chanceFrom } from '../numbers';
import { type TroubleId, troubleIds } from './evidence';
import { type Degree, type People, type Person, degrees, personWith, usualPeople } from './person';
import { type CoachQuality, type Eyes, coachQualities, coachQualityIds, seenOf } from './seen';

/** A world the study is made in: how people differ, and how coaches see. */
export interface World {
  id: string;
  words: string;
  people: People;
  eyes(quality: CoachQuality): Eyes;
  /** Part of all people who are even, for the share that was right. */
  evenPart: number;
}

const apart = (quality: CoachQuality): Eyes => coachQualities[quality];
export const worlds: readonly World[] = [
  {
    id: 'usual',
    words: 'left and right graded one by one; 40 % even',
    people: usualPeople,
    eyes: apart,
    evenPart: 0.4,
  },
  {
    id: 'pairs',
    words: 'left and right graded together, so that one slip moves both',
    people: usualPeople,
    eyes: (quality) => ({ ...apart(quality), pairsTogether: true }),
    evenPart: 0.4,
  },
  {
    id: 'uneven',
    words: 'people differ more from part to part, and even ones show half as many signs again',
    people: { partSpread: 0.38, signFactor: 1.5 },
    eyes: apart,
    evenPart: 0.4,
  },
  {
    id: 'noisier',
    words: 'a third more slips of every kind',
    people: usualPeople,
    eyes: (quality) => {
      const eyes = apart(quality);
      return { ...eyes, gradeOff: eyes.gradeOff * 1.33, wrong: eyes.wrong * 1.33, loose: eyes.loose * 1.33 };
    },
    evenPart: 0.4,
  },
  {
    id: 'sparing',
    words: 'coaches grade a third of a step lower than the table takes as usual',
    people: usualPeople,
    eyes: (quality) => ({ ...apart(quality), bias: -0.33 }),
    evenPart: 0.4,
  },
  {
    id: 'mostlyEven',
    words: 'seven of ten people even',
    people: usualPeople,
    eyes: apart,
    evenPart: 0.7,
  },
];

/** How somebody was read: what leads, and whether it is shared. */
export interface StudyReading {
  likely: Likely;
  findings: readonly Finding[];
}

const readingOf = (records: readonly LookRecord[]): StudyReading => {
  const findings = readFindings(records);
  return { findings, likely: likelyPatterns(scorePatterns(findings), findings) };
};

/** Looks at somebody by a list of protocols, each once. */
export function looksAt(person: Person, list: readonly ProtocolId[], eyes: Eyes, chance: Chance): LookRecord[] {
  return list.flatMap((protocol) => {
    const record = seenOf(person, protocol, eyes, chance);
    return record ? [record] : [];
  });
}

/** Ids of what leads: two where they are too close to call. */
const leadsOf = ({ shown, tie }: Likely) => shown.slice(0, tie ? 2 : 1).map(({ pattern }) => pattern.id);

/** What came of reading many people of one kind. */
interface Tally {
  people: number;
  /** Of even people: a pattern of trouble leads. Of others: their own leads or shares the lead. */
  led: number;
  /** How often each pattern was first. */
  first: Record<string, number>;
}

export interface StudyRow {
  trouble: TroubleId | typeof evenId;
  degree: Degree | null;
  tally: Tally;
}

export interface StudyPart {
  quality: CoachQuality;
  set: LookSetId;
  rows: readonly StudyRow[];
}

export interface StudySize {
  even: number;
  perTrouble: number;
}

/**
 * Makes people, looks at them and reads them: what part of even people is given a pattern of trouble, what part of the
 * others is read as what they are. Simulated: it shows consistency and where noise rules, nothing about real people.
 *
 * @param seed the same seed gives the same people
 * @example study({ even: 10, perTrouble: 2 }, worlds[0], 1)[0].rows.length // 46
 */
export function study(
  { even, perTrouble }: StudySize,
  world: World,
  seed: number,
  {
    qualities = coachQualityIds,
    sets = ['first', 'full'],
    read = (person, list, eyes, chance) => readingOf(looksAt(person, list, eyes, chance)).likely,
  }: {
    qualities?: readonly CoachQuality[];
    sets?: readonly ('first' | 'full')[];
    read?: (person: Person, list: readonly ProtocolId[], eyes: Eyes, chance: Chance) => Likely;
  } = {},
): StudyPart[] {
  return qualities.flatMap((quality) =>
    sets.map((set) => {
      const chance = chanceFrom(seed);
      const eyes = world.eyes(quality);
      const list = lookList(set).protocols;
      const tallyOf = (trouble: TroubleId | null, degree: Degree | null, people: number): StudyRow => {
        const tally: Tally = { people, led: 0, first: {} };
        for (let i = 0; i < people; i += 1) {
          const likely = read(personWith(chance, trouble, degree, world.people), list, eyes, chance);
          const leads = leadsOf(likely);
          const first = leads[0] ?? 'nothing';
          tally.first[first] = (tally.first[first] ?? 0) + 1;
          const troubleLeads = leads.length > 0 && first !== evenId;
          if (trouble ? leads.includes(trouble) : troubleLeads) tally.led += 1;
        }
        return { trouble: trouble ?? evenId, degree, tally };
      };
      const rows = [
        tallyOf(null, null, even),
        ...troubleIds.flatMap((trouble) =>
          degrees.map((degree, i) =>
            // A third mild, the rest of the people shared alike.
            tallyOf(trouble, degree, Math.round(((i + 1) * perTrouble) / 3) - Math.round((i * perTrouble) / 3)),
          ),
        ),
      ];
      return { quality, set, rows };
    }),
  );
}

/** Part of even people given a pattern of trouble. */
export const falseAlarms = ({ rows }: StudyPart) => partLed(rows.filter(({ trouble }) => trouble === evenId));

/** Part of people with a trouble who are read as what they are: first, or sharing the lead. */
export const recall = (
  { rows }: StudyPart,
  trouble: TroubleId | null,
  of: readonly Degree[] = ['clear', 'marked'],
): number => {
  const all = trouble ? [trouble] : troubleIds;
  const parts = all.map((id) => partLed(rows.filter((row) => row.trouble === id && of.includes(row.degree!))));
  return parts.reduce((sum, part) => sum + part, 0) / parts.length;
};

const partLed = (rows: readonly StudyRow[]) =>
  rows.reduce((sum, { tally }) => sum + tally.led, 0) / rows.reduce((sum, { tally }) => sum + tally.people, 0);

/**
 * Reads somebody, and then looks where the reading asks to look: at what was not looked at and would tell most, or a second
 * time at what decides.
 *
 * @param more how many looks beyond the list
 */
export function readingAsked(
  person: Person,
  list: readonly ProtocolId[],
  eyes: Eyes,
  chance: Chance,
  { more, fresh }: { more: number; fresh: boolean },
): Likely {
  let records = looksAt(person, list, eyes, chance);
  let { likely } = readingOf(records);
  for (let n = 0; n < more; n += 1) {
    const taken = records.map(({ protocol }) => protocol);
    const again = records.flatMap(({ protocol, raw }) => (raw.again ? [protocol] : []));
    const next = nextLook(likely, taken, again, (protocol) => fresh || taken.includes(protocol));
    const record = next && seenOf(person, next.protocol, eyes, chance, { take: 2 + n });
    if (!record) break;
    records = [...records, next.again ? { ...record, raw: { ...record.raw, again: true } } : record];
    ({ likely } = readingOf(records));
  }
  return likely;
}

/** What a lead of each strength was worth, among people as they come in a world. */
export function calibrate(world: World, people: number, seed: number, quality: CoachQuality = 'average') {
  const chance = chanceFrom(seed);
  const list = lookList('full').protocols;
  const counts = Object.fromEntries(strengths.map((id) => [id, { right: 0, even: 0, of: 0 }])) as Record<
    Strength,
    { right: number; even: number; of: number }
  >;
  for (let i = 0; i < people; i += 1) {
    const trouble = chance.yes(world.evenPart) ? null : chance.pick(troubleIds);
    const person = personWith(chance, trouble, trouble && chance.pick(degrees), world.people);
    const [first] = readingOf(looksAt(person, list, world.eyes(quality), chance)).likely.shown;
    if (!first || first.pattern.id === evenId) continue;
    const count = counts[strengthOf(first)];
    count.of += 1;
    if (first.pattern.id === trouble) count.right += 1;
    if (trouble === null) count.even += 1;
  }
  return counts;
}

/** Bits a minute that tell two kinds of people apart, best first, and no more than a few. */
export type Told = readonly (readonly [ProtocolId, number])[];
const fewest = 0.03;
const most = 4;

/**
 * How well each protocol alone tells every two patterns apart, by the difference of their points, in bits a minute: the
 * information that one look gives about which of two equally likely people is there.
 *
 * @param each people of a kind
 * @example Object.keys(settles(10, 1)).length
 */
export function settles(each: number, seed: number): Record<string, Told> {
  const chance = chanceFrom(seed);
  const eyes = worlds[0]!.eyes('average');
  const kinds = [evenId, ...troubleIds];
  const told = lookList('full').protocols.filter((protocol) => protocol !== 'marker');
  const scored = kinds.map((kind) =>
    Array.from({ length: each }, (_, i) => {
      const trouble = kind === evenId ? null : (kind as TroubleId);
      // Clear and marked ones: what is mild is told by nothing.
      const person = personWith(chance, trouble, trouble && (i % 2 === 0 ? 'clear' : 'marked'));
      return told.map((protocol) => {
        const record = seenOf(person, protocol, eyes, chance)!;
        return new Map(scorePatterns(readFindings([record])).map(({ pattern, balance }) => [pattern.id, balance]));
      });
    }),
  );
  const found: Record<string, Told> = {};
  kinds.forEach((one, a) =>
    kinds.slice(a + 1).forEach((other, b) => {
      const by = told.map((protocol, p) => {
        const apart = (scores: (typeof scored)[number][number]) =>
          (scores[p]!.get(one) ?? 0) - (scores[p]!.get(other) ?? 0);
        const bits = bitsOf(scored[a]!.map(apart), scored[a + 1 + b]!.map(apart));
        return [protocol, Math.round((bits / protocols[protocol].minutes) * 100) / 100] as const;
      });
      found[`${one} ${other}`] = by
        .filter(([, bits]) => bits >= fewest)
        .sort((x, y) => y[1] - x[1])
        .slice(0, most);
    }),
  );
  return found;
}

/**
 * What a number says about which of two lists, equally likely, it comes from: mutual information, in bits.
 *
 * @source Shannon 1948, Bell Syst Tech J 27:379–423; derivable
 * @example bitsOf([0, 0], [1, 1]) // 1
 */
export function bitsOf(one: readonly number[], other: readonly number[]): number {
  const counts = new Map<number, [number, number]>();
  for (const [list, at] of [
    [one, 0],
    [other, 1],
  ] as const) {
    for (const value of list) {
      const count = counts.get(value) ?? [0, 0];
      count[at] += 1 / list.length / 2;
      counts.set(value, count);
    }
  }
  let bits = 0;
  for (const [a, b] of counts.values()) {
    for (const part of [a, b]) if (part > 0) bits += part * Math.log2(part / ((a + b) / 2));
  }
  return Math.max(0, bits);
}
