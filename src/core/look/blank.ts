import { unobserved } from '../trunk';
import { protocols } from './protocols';
import { type ProtocolId, type Raw } from './rawSchemas';

const notObserved = 'not observed' as const;

/** What a protocol starts with: nothing observed, in its usual position. */
const blanks: { [P in ProtocolId]: Omit<Raw<P>, 'position'> } = {
  quietLook: { taps: [], starts: notObserved, route: notObserved, sound: notObserved, seen: [] },
  twoHands: {
    leads: notObserved,
    movesMore: notObserved,
    bellyDrawsIn: notObserved,
    deepLeads: notObserved,
    freeVoice: notObserved,
  },
  frontOn: {
    shoulders: notObserved,
    upperOnly: notObserved,
    sides: notObserved,
    nostrils: notObserved,
    shouldersDeep: notObserved,
    upperOnlyDeep: notObserved,
    sidesDeep: notObserved,
    neckCordsDeep: notObserved,
    yawnsDaily: notObserved,
  },
  regionMap: {
    quiet: unobserved(),
    deep: unobserved(),
    neckQuiet: null,
    neckDeep: null,
    extension: notObserved,
  },
  tape: { unit: 'cm', levels: {}, paradoxical: [], morningStiffness: notObserved },
  twoLine: {
    quiet: { upperDegrees: null, lowerDegrees: null },
    deep: { upperDegrees: null, lowerDegrees: null },
  },
  fingerGap: { unit: 'cm', goes: [], shrugs: notObserved },
  sideBend: { left: null, right: null },
  postureSearch: { depth: {} },
  stack: {
    infrasternal: notObserved,
    flareRest: null,
    flareExhale: null,
    thorax: notObserved,
    pelvis: notObserved,
    lowBackOff: notObserved,
    midBackStiff: notObserved,
    obliquesGrip: notObserved,
    photos: [],
  },
  exhale: {
    seconds: [],
    sound: notObserved,
    ribsDown: notObserved,
    abdominalsFelt: notObserved,
    nextInhale: null,
  },
  wallOrder: { first: notObserved, lowerBalloons: notObserved, marchLeft: null, marchRight: null },
  floor: {
    softens: notObserved,
    lifts: notObserved,
    bearsDown: notObserved,
    glutesGrip: notObserved,
    letsGo: notObserved,
    pain: notObserved,
    urgency: notObserved,
    leaks: notObserved,
    leaksWith: [],
    leaksOften: notObserved,
    leaksHowMuch: notObserved,
  },
  pelvicRock: { nods: notObserved, stuckAt: notObserved, freedBySoftness: notObserved },
  calmHold: { tries: [] },
  tenCount: { result: notObserved },
  questionnaire: { answers: Array<null>(16).fill(null), breathlessNow: null, breathlessEffort: null },
  marker: { measure: 'ease', readings: [] },
};

/**
 * The raw record a protocol begins with, with the values given and the rest not observed.
 *
 * @example blankRaw('sideBend', { left: 2 }) // { position: 'standing', left: 2, right: null }
 */
export function blankRaw<P extends ProtocolId>(protocol: P, values: Partial<Raw<P>> = {}): Raw<P> {
  const blank = { position: protocols[protocol].positions[0]!, ...structuredClone(blanks[protocol]) };
  return { ...blank, ...values } as unknown as Raw<P>;
}
