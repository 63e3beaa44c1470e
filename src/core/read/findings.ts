import { type RecordRef } from '../reasons';
import { type LookRecord, type Raw, calmHold, holdCounts, newest, protocols, quietRate, rateBand } from '../look';
import { type Grades, type RegionId, regions } from '../trunk';

/** Every finding the present protocols can settle, and the protocol that would settle it when it is missing. */
export const findingTable = {
  chestLeads: { words: 'the chest leads the breath', settledBy: 'twoHands' },
  bellyLeads: { words: 'the belly leads the breath', settledBy: 'twoHands' },
  chestLeadsDeep: { words: 'the chest leads as soon as the breath is deeper', settledBy: 'twoHands' },
  shouldersRise: { words: 'the shoulders rise', settledBy: 'quietLook' },
  neckWorks: { words: 'neck and shoulders work', settledBy: 'regionMap' },
  rateHigh: { words: 'the resting rate is quick', settledBy: 'quietLook' },
  mouthBreathing: { words: 'breathing through the mouth at rest', settledBy: 'quietLook' },
  audible: { words: 'the breath is audible at rest', settledBy: 'quietLook' },
  sighs: { words: 'sighs or yawns at rest', settledBy: 'quietLook' },
  bellyDrawsIn: { words: 'the belly draws in on the inhale', settledBy: 'twoHands' },
  bellyTakesMost: { words: 'the belly takes most of the breath', settledBy: 'regionMap' },
  bellyStill: { words: 'the belly hardly moves', settledBy: 'regionMap' },
  sternumStill: { words: 'the front of the chest hardly moves', settledBy: 'regionMap' },
  chestBackStill: { words: 'the back of the chest hardly moves', settledBy: 'regionMap' },
  sidesStill: { words: 'both sides hardly move', settledBy: 'regionMap' },
  sidesOpen: { words: 'both sides move clearly', settledBy: 'regionMap' },
  backsStill: { words: 'both backs hardly move', settledBy: 'regionMap' },
  backsOpen: { words: 'both backs move clearly', settledBy: 'regionMap' },
  oneSideLess: { words: 'one side gives less than the other', settledBy: 'regionMap' },
  floorStill: { words: 'the pelvic floor is hardly felt to move', settledBy: 'regionMap' },
  smallEverywhere: { words: 'everything seen is small, even on deep breaths', settledBy: 'regionMap' },
  allAvailable: { words: 'every part is available', settledBy: 'regionMap' },
  holdShort: { words: 'the calm exhale hold is short', settledBy: 'calmHold' },
  gaspAfterHold: { words: 'a gasp or strain ends the hold', settledBy: 'calmHold' },
} as const;

export type FindingId = keyof typeof findingTable;
export type Severity = 0 | 1 | 2 | 3;

/** One thing that was looked for: how marked it is (0 = looked for and not there), on which side, from which record. */
export interface Finding {
  id: FindingId;
  severity: Severity;
  side?: 'left' | 'right';
  words: string;
  record: RecordRef;
}

/**
 * Derives every finding the records can settle. A finding that could not be looked for is absent from the list: unknown
 * is never taken as "not there".
 *
 * @param records looks of one visit; the newest of each protocol taken before the work counts
 * @example readFindings([twoHandsRecord]).find((finding) => finding.id === 'chestLeads')?.severity // 3
 */
export function readFindings(records: readonly LookRecord[]): Finding[] {
  const readers = {
    quietLook: fromQuietLook,
    twoHands: fromTwoHands,
    regionMap: fromRegionMap,
    calmHold: fromCalmHold,
  };
  return (Object.keys(readers) as (keyof typeof readers)[]).flatMap((protocol) => {
    const record = newest(records, protocol, 'before');
    if (!record) return [];
    const reference: RecordRef = { kind: 'look', id: record.id, label: protocols[protocol].name };
    const read = readers[protocol] as (raw: unknown) => Partial<Record<FindingId, Reading>>;
    return Object.entries(read(record.raw)).map(([id, reading]) => ({
      id: id as FindingId,
      severity: reading.severity,
      ...(reading.side ? { side: reading.side } : {}),
      words: reading.words ?? findingTable[id as FindingId].words,
      record: reference,
    }));
  });
}

interface Reading {
  severity: Severity;
  side?: 'left' | 'right';
  words?: string;
}

const present = (there: boolean, severity: Severity = 2): Reading => ({ severity: there ? severity : 0 });

function fromQuietLook(raw: Raw<'quietLook'>): Partial<Record<FindingId, Reading>> {
  const found: Partial<Record<FindingId, Reading>> = {};
  if (raw.taps.length >= 4) {
    const { breathsPerMinute } = quietRate(raw.taps);
    const { points, from } = rateBand(breathsPerMinute);
    const severity = from < 21 ? 0 : (points as Severity);
    found.rateHigh = { severity, words: `resting rate ${breathsPerMinute.toFixed(1)} a minute` };
  }
  if (raw.route !== 'not observed') found.mouthBreathing = present(raw.route !== 'nose', raw.route === 'mouth' ? 3 : 1);
  if (raw.sound !== 'not observed') found.audible = present(raw.sound === 'audible');
  // Ticks count as looked for once anything of the quiet look was noted down: an untouched form says nothing.
  const watched =
    raw.seen.length > 0 ||
    raw.starts !== 'not observed' ||
    raw.route !== 'not observed' ||
    raw.sound !== 'not observed';
  if (watched) {
    found.shouldersRise = present(raw.seen.includes('shoulders'), 3);
    const sighing = Number(raw.seen.includes('sighs')) + Number(raw.seen.includes('yawns'));
    found.sighs = { severity: sighing === 0 ? 0 : sighing === 1 ? 2 : 3 };
  }
  return found;
}

function fromTwoHands(raw: Raw<'twoHands'>): Partial<Record<FindingId, Reading>> {
  const found: Partial<Record<FindingId, Reading>> = {};
  if (raw.leads !== 'not observed') {
    const strong = raw.movesMore === 'not observed' || raw.movesMore === raw.leads ? 3 : 2;
    found.chestLeads = present(raw.leads === 'chest', strong);
    found.bellyLeads = present(raw.leads === 'belly', strong);
  }
  if (raw.deepLeads !== 'not observed') found.chestLeadsDeep = present(raw.deepLeads === 'chest');
  if (raw.bellyDrawsIn !== 'not observed') found.bellyDrawsIn = present(raw.bellyDrawsIn === 'yes', 3);
  return found;
}

/** Severity of a part that gives little: nothing at all 3, a trace 2, clear or full 0. */
const stillness = (grade: number): Severity => (grade === 0 ? 3 : grade === 1 ? 2 : 0);

/** The better of quiet and deep: a part that opens on a deep breath is available. */
function best(raw: Raw<'regionMap'>, id: RegionId): number | null {
  const grades = [raw.quiet[id], raw.deep[id]].filter((grade): grade is number => grade != null);
  return grades.length === 0 ? null : Math.max(...grades);
}

function fromRegionMap(raw: Raw<'regionMap'>): Partial<Record<FindingId, Reading>> {
  const found: Partial<Record<FindingId, Reading>> = {};
  const seen = (id: RegionId) => best(raw, id);
  const single = (finding: FindingId, id: RegionId) => {
    const grade = seen(id);
    if (grade !== null) found[finding] = { severity: stillness(grade) };
  };
  single('bellyStill', 'belly');
  single('sternumStill', 'chestFront');
  single('chestBackStill', 'chestBack');
  single('floorStill', 'pelvicFloor');

  const pair = (still: FindingId, open: FindingId, left: RegionId, right: RegionId) => {
    const [l, r] = [seen(left), seen(right)];
    if (l === null || r === null) return;
    found[still] = { severity: stillness(Math.max(l, r)) };
    const least = Math.min(l, r);
    found[open] = { severity: least >= 3 ? 3 : least === 2 ? 2 : 0 };
  };
  pair('sidesStill', 'sidesOpen', 'leftSide', 'rightSide');
  pair('backsStill', 'backsOpen', 'leftBack', 'rightBack');

  const lean = oneSideLess(raw);
  if (lean) found.oneSideLess = lean;

  const neck = Math.max(raw.neckQuiet ?? -1, (raw.neckDeep ?? 0) - (raw.neckQuiet === null ? 0 : 1));
  if (raw.neckQuiet !== null || raw.neckDeep !== null) found.neckWorks = { severity: Math.max(0, neck) as Severity };

  const belly = seen('belly');
  const others = (['leftSide', 'rightSide', 'chestFront'] as const).map(seen);
  if (belly !== null && others.every((grade) => grade !== null)) {
    const lead = belly - Math.max(...(others as number[]));
    found.bellyTakesMost = { severity: belly >= 2 && lead >= 1 ? (lead >= 2 ? 3 : 2) : 0 };
  }

  const all = (Object.keys(regions) as RegionId[]).map(seen).filter((grade): grade is number => grade !== null);
  if (all.length >= 5) {
    const highest = Math.max(...all);
    found.smallEverywhere = { severity: stillness(highest) };
    const lowest = Math.min(...all);
    found.allAvailable = { severity: lowest >= 3 ? 3 : lowest === 2 ? 2 : 0 };
  }
  return found;
}

function oneSideLess(raw: Raw<'regionMap'>): Reading | null {
  const of = (grades: Grades, left: RegionId, right: RegionId) =>
    grades[left] == null || grades[right] == null ? null : grades[right] - grades[left];
  const steps = (['quiet', 'deep'] as const)
    .flatMap((breath) => [of(raw[breath], 'leftSide', 'rightSide'), of(raw[breath], 'leftBack', 'rightBack')])
    .filter((step): step is number => step !== null);
  if (steps.length === 0) return null;
  const sum = steps.reduce((total, step) => total + step, 0);
  const widest = Math.max(...steps.map(Math.abs));
  if (sum === 0 || widest === 0) return { severity: 0, words: 'left and right give alike' };
  const side = sum > 0 ? 'left' : 'right';
  return { severity: Math.min(3, widest + 1) as Severity, side, words: `the ${side} side gives less` };
}

function fromCalmHold(raw: Raw<'calmHold'>): Partial<Record<FindingId, Reading>> {
  if (raw.tries.length === 0) return {};
  const { seconds } = calmHold(raw.tries);
  const found: Partial<Record<FindingId, Reading>> = {
    gaspAfterHold: present(raw.tries.some((hold) => !holdCounts(hold))),
  };
  if (seconds !== null) {
    const severity: Severity = seconds < 10 ? 3 : seconds < 20 ? 2 : 0;
    found.holdShort = { severity, words: `calm exhale hold ${Math.round(seconds)} s` };
  }
  return found;
}
