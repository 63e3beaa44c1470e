import { type Component } from '../safety';
import { type ProtocolId, type Raw, protocolIds, protocols } from './protocols';

/** The check each raw record goes through. */
export const rawSchemas = Object.fromEntries(protocolIds.map((id) => [id, protocols[id].schema])) as {
  readonly [P in ProtocolId]: (typeof protocols)[P]['schema'];
};

/**
 * The raw record a protocol begins with, in its usual position, with the values given and the rest not observed.
 *
 * @example blankRaw('sideBend', { left: 2 }) // { position: 'standing', left: 2, right: null }
 */
export function blankRaw<P extends ProtocolId>(protocol: P, values: Partial<Raw<P>> = {}): Raw<P> {
  const { positions, blank, schema } = protocols[protocol];
  let begun = begunAs.get(protocol);
  if (begun === undefined) begunAs.set(protocol, (begun = schema.parse({ position: positions[0], ...blank })));
  return { ...structuredClone(begun), ...values } as Raw<P>;
}

/** The blank record of each protocol, checked once. */
const begunAs = new Map<ProtocolId, object>();

/** Whether nothing was entered; of something that has to be done first an empty list is an answer. */
const isBlank = (value: unknown, onceDone: boolean) =>
  value === null ||
  value === undefined ||
  value === 'not observed' ||
  (!onceDone && Array.isArray(value) && value.length === 0);

/**
 * Everything a filled-in look contained that may be gated: of the protocol itself, and of the single fields, deep breaths,
 * tilts and marker that were really taken.
 *
 * @example rawComponents('marker', { position: 'sitting', measure: 'ease', readings: [5] }) // ['deepBreath']
 */
export function rawComponents<P extends ProtocolId>(protocol: P, raw: Raw<P>): Component[] {
  const { components, fields, contains } = protocols[protocol];
  const answered = Object.entries(fields).filter(
    ([key, field]) => !isBlank((raw as Record<string, unknown>)[key], field.kind === 'ticks' && 'none' in field),
  );
  return [
    ...new Set([
      ...components,
      ...answered.flatMap(([, field]) => field.components ?? []),
      ...(contains as (raw: Raw<P>) => readonly Component[])(raw),
    ]),
  ];
}
