import { type RecordRef } from '../reasons';
import {
  type FindingId,
  type Found,
  type FoundHere,
  type LookRecord,
  type ProtocolId,
  type Raw,
  type Severity,
  countingLooks,
  isOf,
  lookPositions,
  protocolIds,
  protocols,
} from '../look';
import { regionIds } from '../trunk';
import { type Answer, type ConditionId } from '../safety';
import { findingTable } from './findingTable';
import { readMap, readUpright } from './readMap';

/** One thing that was looked for: how marked it is (0 = looked for and not there), on which side, from which records. */
export interface Finding {
  id: FindingId;
  severity: Severity;
  side?: 'left' | 'right';
  words: string;
  /** Seen, but explained by a condition: not a finding to answer. */
  explained?: true;
  /** In how many looks it was looked for: quiet and deep of a map are two, a look taken again is another. */
  times: number;
  /** The record that shows it most, and the others that were read for it. */
  record: RecordRef;
  alsoFrom: readonly RecordRef[];
  /** The protocol of `record`, for going there. */
  protocol: ProtocolId;
}

type Here = FoundHere<FindingId>;

/** Conditions under which a finding is not one: said instead of read. */
const notAFinding: readonly { condition: ConditionId; findings: readonly FindingId[]; words: string }[] = [
  {
    condition: 'lung',
    findings: ['flareRest', 'flareStays', 'ribsStayUp'],
    words: 'a barrel-shaped chest with a lung condition is not a flare to correct',
  },
  {
    condition: 'pregnancy',
    findings: ['smallEverywhere'],
    words: 'a smaller breath is expected in pregnancy',
  },
];

/** What was told on Screen and is a finding of its own: it counts as marked until a look says more. Common practice. */
const toldFindings: readonly {
  condition: ConditionId;
  finding: FindingId;
  severity: Severity;
  protocol: ProtocolId;
}[] = [
  { condition: 'holdingFloor', finding: 'cannotLetGo', severity: 3, protocol: 'floor' },
  { condition: 'leaking', finding: 'leaks', severity: 2, protocol: 'floor' },
  { condition: 'separation', finding: 'separation', severity: 2, protocol: 'wallOrder' },
];

const idsInOrder = Object.keys(findingTable) as FindingId[];

/**
 * Derives every finding the records can settle. A finding that could not be looked for is absent from the list: unknown
 * is never taken as "not there". Where two records speak of the same finding, the more marked one counts and both are
 * named.
 *
 * @param records looks of one visit; of each protocol the newest taken before the work counts, with those taken again
 * @param answers what was told on Screen: some of it is a finding, some explains one away
 * @example readFindings([twoHandsRecord]).find((finding) => finding.id === 'chestLeads')?.severity // 3
 */
export function readFindings(
  records: readonly LookRecord[],
  answers: Partial<Record<ConditionId, Answer>> = {},
): Finding[] {
  const found = new Map<FindingId, Finding>();
  const take = (taken: readonly LookRecord[], readings: Here) => {
    const references = taken.map(({ id, protocol }): RecordRef => ({
      kind: 'look',
      id,
      label: protocols[protocol].name,
    }));
    for (const id in readings) {
      keep(id as FindingId, readings[id as FindingId]!, taken[0]!.protocol, references[0]!, references.slice(1));
    }
  };
  const keep = (
    id: FindingId,
    reading: Found,
    protocol: ProtocolId,
    reference: RecordRef,
    others: readonly RecordRef[] = [],
  ) => {
    const known = found.get(id);
    const fresh: Finding = {
      id,
      severity: reading.severity,
      words: reading.words ?? findingTable[id].words,
      times: reading.times ?? 1,
      record: reference,
      alsoFrom: others,
      protocol,
    };
    if (reading.side) fresh.side = reading.side;
    if (!known) {
      found.set(id, fresh);
      return;
    }
    const [most, least] = fresh.severity > known.severity ? [fresh, known] : [known, fresh];
    // Seen by one look and not by the other: neither is believed whole. What was told stands beside both.
    const told = reference.kind === 'fact';
    const severity = told ? most.severity : (Math.floor((fresh.severity + known.severity) / 2) as Severity);
    const alsoFrom = [...most.alsoFrom, least.record, ...least.alsoFrom];
    found.set(id, { ...most, severity, times: fresh.times + known.times, alsoFrom });
  };
  const looks = countingLooks(records, 'before');
  const byProtocol = new Map<ProtocolId, LookRecord[]>();
  for (const look of looks) {
    const known = byProtocol.get(look.protocol);
    if (known) known.push(look);
    else byProtocol.set(look.protocol, [look]);
  }
  for (const protocol of protocolIds) {
    const taken = byProtocol.get(protocol);
    const read = protocols[protocol].reads as ((raw: unknown) => Here) | undefined;
    if (!taken || !read) continue;
    take(taken, together(taken.map(({ raw }) => read(raw))));
  }
  const maps = mapsOf(looks);
  const easiest = maps.find(({ raws }) => raws.some(isGraded)) ?? maps[0];
  for (const { raws, records: taken } of maps) {
    if (raws === easiest?.raws) take(taken, readMap(raws));
  }
  // Lost in one harder position is lost: they are not readings of the same thing.
  const harder = maps.flatMap(({ raws, records: taken }) => {
    const lost = easiest && raws !== easiest.raws ? readUpright(easiest.raws, raws) : {};
    return lost.lostUpright ? [{ lost, taken, severity: lost.lostUpright.severity }] : [];
  });
  const [most] = harder.sort((a, b) => b.severity - a.severity);
  if (most) take(most.taken, most.lost);
  sayAgreement(found);
  for (const { condition, finding, severity, protocol } of toldFindings) {
    const answer = answers[condition];
    if (answer?.value !== 'yes') continue;
    const words = `${findingTable[finding].words}, told on Screen`;
    keep(finding, { severity, words }, protocol, { kind: 'fact', id: answer.recordId, label: 'Screen' });
  }
  for (const { condition, findings, words } of notAFinding) {
    if (answers[condition]?.value !== 'yes') continue;
    for (const id of findings) {
      const finding = found.get(id);
      if (finding && finding.severity > 0) found.set(id, { ...finding, severity: 0, words, explained: true });
    }
  }
  return idsInOrder.flatMap((id) => found.get(id) ?? []);
}

/** The looks at one thing, taken together: a sign seen in one of two is half a sign, rounded down. */
function together(all: readonly Here[]): Here {
  if (all.length === 1) return all[0]!;
  const found: Here = {};
  for (const id of new Set(all.flatMap((one) => Object.keys(one) as FindingId[]))) {
    const seen = all.flatMap((one) => (one[id] ? [one[id]] : []));
    const [most] = [...seen].sort((a, b) => b.severity - a.severity);
    const sides = new Set(seen.flatMap(({ severity, side }) => (severity > 0 && side ? [side] : [])));
    const severity = sides.size > 1 ? 0 : Math.floor(seen.reduce((sum, one) => sum + one.severity, 0) / seen.length);
    found[id] = { ...most!, severity: severity as Severity, times: seen.length };
  }
  return found;
}

const isGraded = (raw: Raw<'regionMap'>) => regionIds.some((id) => (raw.quiet[id] ?? raw.deep[id] ?? null) !== null);

/** The maps of each position, the easiest first. */
function mapsOf(looks: readonly LookRecord[]) {
  const maps = looks.filter((record) => isOf(record, 'regionMap'));
  return lookPositions.flatMap((position) => {
    const here = maps.filter(({ raw }) => raw.position === position);
    return here.length === 0 ? [] : [{ records: here, raws: here.map(({ raw }) => raw) }];
  });
}

/** Where the map leans, the side bend must lean the same way: else one of them is in doubt. */
function sayAgreement(found: Map<FindingId, Finding>) {
  const [lean, bend] = [found.get('oneSideLess'), found.get('bendDiffers')];
  if (!lean?.side || !bend) return;
  const [severity, words] = bendSays[!bend.side ? 'equal' : bend.side === lean.side ? 'same' : 'other'];
  found.set('bendDisagrees', { ...bend, id: 'bendDisagrees', severity, words });
}
const bendSays = {
  same: [0, 'map and side bend agree'],
  equal: [1, 'the map leans, the side bend does not'],
  other: [3, 'map and side bend lean to different sides'],
} as const;
