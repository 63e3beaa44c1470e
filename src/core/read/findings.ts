import { type RecordRef } from '../reasons';
import { type LookRecord, type ProtocolId, byTime, easiestGraded, mapsByPosition, protocols } from '../look';
import { type Answer, type ConditionId } from '../safety';
import { readers } from './readers';
import { type FindingId, findingTable } from './findingTable';
import { readMap, readUpright } from './readMap';

export type Severity = 0 | 1 | 2 | 3;

/** One thing that was looked for: how marked it is (0 = looked for and not there), on which side, from which records. */
export interface Finding {
  id: FindingId;
  severity: Severity;
  side?: 'left' | 'right';
  words: string;
  /** Seen, but explained by a condition: not a finding to answer. */
  explained?: true;
  /** The record that shows it most, and the others that were read for it. */
  record: RecordRef;
  alsoFrom: readonly RecordRef[];
  /** The protocol of `record`, for going there. */
  protocol: ProtocolId;
}

/** What one record says of one finding. */
export interface Reading {
  severity: Severity;
  side?: 'left' | 'right';
  words?: string;
}
export type Readings = Partial<Record<FindingId, Reading>>;

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

const readersInOrder = Object.keys(readers) as (keyof typeof readers)[];
const place = new Map((Object.keys(findingTable) as FindingId[]).map((id, i) => [id, i]));

/**
 * Derives every finding the records can settle. A finding that could not be looked for is absent from the list: unknown
 * is never taken as "not there". Where two records speak of the same finding, the more marked one counts and both are
 * named.
 *
 * @param records looks of one visit; the newest of each protocol taken before the work counts
 * @param answers what was told on Screen: some of it is a finding, some explains one away
 * @example readFindings([twoHandsRecord]).find((finding) => finding.id === 'chestLeads')?.severity // 3
 */
export function readFindings(
  records: readonly LookRecord[],
  answers: Partial<Record<ConditionId, Answer>> = {},
): Finding[] {
  const found = new Map<FindingId, Finding>();
  const take = (record: LookRecord, readings: Readings) => {
    const reference: RecordRef = { kind: 'look', id: record.id, label: protocols[record.protocol].name };
    for (const id in readings) {
      keep(id as FindingId, readings[id as FindingId]!, record.protocol, reference);
    }
  };
  const keep = (id: FindingId, reading: Reading, protocol: ProtocolId, reference: RecordRef) => {
    const known = found.get(id);
    const finding: Finding = {
      id,
      severity: reading.severity,
      ...(reading.side ? { side: reading.side } : {}),
      words: reading.words ?? findingTable[id].words,
      record: reference,
      alsoFrom: known ? [known.record, ...known.alsoFrom] : [],
      protocol,
    };
    if (!known || reading.severity > known.severity) found.set(id, finding);
    else found.set(id, { ...known, alsoFrom: [...known.alsoFrom, reference] });
  };
  const newestOf = new Map<ProtocolId, LookRecord>();
  for (const record of records) {
    if (record.moment !== 'before') continue;
    const known = newestOf.get(record.protocol);
    if (!known || byTime(known, record) <= 0) newestOf.set(record.protocol, record);
  }
  for (const protocol of readersInOrder) {
    const record = newestOf.get(protocol);
    if (record) take(record, (readers[protocol] as (raw: unknown) => Readings)(record.raw));
  }
  const maps = mapsByPosition(records, 'before');
  const map = easiestGraded(maps);
  if (map) take(map, readMap(map.raw));
  for (const { record } of maps) {
    if (map && record.id !== map.id) take(record, readUpright(map.raw, record.raw));
  }
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
  return [...found.values()].sort((a, b) => place.get(a.id)! - place.get(b.id)!);
}
