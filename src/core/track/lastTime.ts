import { props } from '../catalogue';
import { homeDrills } from '../home';
import { type LengthUnit, baseMap, isOf } from '../look';
import { intentInWords } from '../read';
import { type VisitRecord } from '../record';
import { drillOf } from '../sequence';
import { changeOf } from './change';
import { drillName } from './drillName';
import { changeInWords } from './figures';
import { type Repeats } from './over';
import { markerBeforeAfter } from './series';

/** What is to be in mind when somebody comes again: the visit before, in a few lines. */
export interface LastTime {
  visitId: string;
  day: string;
  signed: boolean;
  /** The aim in words, and the coach's own line. */
  aim: string | null;
  ownLine: string;
  /** Drills that went home. */
  home: { drillId: string; name: string }[];
  /** Props of the plan, in words. */
  props: string[];
  /** Where they were looked at. */
  position: string | null;
  /** The marker before and after, in words. */
  marker: string | null;
  note: string | null;
}

/**
 * The visit before as it is wanted when somebody comes again: its note, what went home, the aim, props, position and marker.
 *
 * @param repeats of all visits, for the client's own noise
 * @param lengths the unit lengths are said in
 * @example lastTimeOf(visit, {}, 'cm').aim // 'Open the left side'
 */
export function lastTimeOf(visit: VisitRecord, repeats: Repeats, lengths: LengthUnit): LastTime {
  const items = visit.runs.at(-1)?.items ?? visit.plan?.plan.items ?? [];
  const used = items.flatMap((item) => drillOf(item).props).map((id) => props[id].name.toLowerCase());
  const map = baseMap(visit.looks, 'before');
  const hands = visit.looks.find((look) => isOf(look, 'twoHands') || isOf(look, 'quietLook'));
  const marker = markerBeforeAfter(visit.looks);
  const { reading, note } = visit;
  return {
    visitId: visit.id,
    day: visit.day,
    signed: note?.signedAt != null,
    aim: reading ? intentInWords(reading.intent, reading.side ?? undefined) : null,
    ownLine: reading?.ownLine ?? '',
    home: (visit.home ? homeDrills(visit.home.plan) : (note?.home ?? [])).map((drillId) => ({
      drillId,
      name: drillName(visit, drillId),
    })),
    props: [...new Set(used)],
    position: map?.raw.position ?? (hands?.raw as { position?: string } | undefined)?.position ?? null,
    marker:
      marker &&
      changeInWords(changeOf(marker.measure, marker.before, marker.after, repeats[marker.measure] ?? []), lengths),
    note: note && note.text !== '' ? note.text : null,
  };
}
