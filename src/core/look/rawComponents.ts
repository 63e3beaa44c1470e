import { type Component } from '../safety';
import { forms, type FormProtocol } from './forms';
import { markerMeasures } from './markers';
import { protocols } from './protocols';
import { type ProtocolId, type Raw, type PostureTilt, posturePositions } from './rawSchemas';

/** What a tilt of the posture search asks of a trunk. */
export const tiltComponents: Readonly<Partial<Record<PostureTilt, readonly Component[]>>> = {
  arched: ['endRangeArch'],
  slouched: ['endRangeTuck', 'loadedRounding'],
};

const isBlank = (value: unknown) =>
  value === null || value === undefined || value === 'not observed' || (Array.isArray(value) && value.length === 0);

/**
 * Everything a filled-in look contained that may be gated: of the protocol itself, and of the single fields, deep breaths,
 * tilts and marker that were really taken.
 *
 * @example rawComponents('marker', { position: 'sitting', measure: 'ease', readings: [5] }) // ['deepBreath']
 */
export function rawComponents<P extends ProtocolId>(protocol: P, raw: Raw<P>): Component[] {
  const found = new Set<Component>(protocols[protocol].components);
  const add = (list: readonly Component[] = []) => list.forEach((component) => found.add(component));
  if (protocol in forms) {
    for (const { key, components } of forms[protocol as FormProtocol]) {
      // A march that was done and steady is an empty list, not a blank.
      const value = (raw as Record<string, unknown>)[key];
      const taken = key.startsWith('march') ? value !== null : !isBlank(value);
      if (taken) add(components);
    }
  }
  switch (protocol) {
    case 'marker':
      if ((raw as Raw<'marker'>).readings.length > 0) add(markerMeasures[(raw as Raw<'marker'>).measure].components);
      break;
    case 'regionMap':
      if (Object.values((raw as Raw<'regionMap'>).deep).some((grade) => grade !== null)) add(['deepBreath']);
      break;
    case 'twoLine':
      if ((raw as Raw<'twoLine'>).deep.upperDegrees !== null) add(['deepBreath']);
      break;
    case 'postureSearch':
      for (const position of posturePositions) {
        const depth = (raw as Raw<'postureSearch'>).depth[position] ?? {};
        for (const tilt of Object.keys(depth) as PostureTilt[]) add(tiltComponents[tilt]);
      }
      break;
  }
  return [...found];
}
