import { type Component } from '../safety';
import { type LengthUnit, fromCm, toCm } from './length';
import { type LookPosition, anywhere } from './positions';

export interface Marker {
  name: string;
  ask: string;
  unit: string;
  /** A length, stored in centimetres: its unit where the studio says lengths in inches. */
  inInches?: string | undefined;
  min: number;
  max: number;
  step: number;
  /** Words for the two ends. */
  low: string;
  high: string;
  /** In the marker's unit; of two readings one after the other. */
  typicalError: number;
  /** What asking for it may not be done with. */
  components: readonly Component[];
  /** Where it is asked, the usual one first, where its words say so; else wherever somebody is. */
  positions?: readonly LookPosition[];
}

/** What is set up before a marker is asked for. */
export const markerSetUp =
  'Chosen before the work and repeated after it: same position, same words, two readings each time.';

const sideBend = (side: 'left' | 'right'): Marker => ({
  name: `side bend to the ${side}`,
  ask: `Slide the ${side} hand down the leg. Fingertip to floor, twice, standing the same way.`,
  unit: 'cm to the floor',
  inInches: 'in to the floor',
  min: 0,
  max: 80,
  step: 0.5,
  low: 'near the floor',
  high: 'far from it',
  typicalError: 1.5,
  components: ['sideBend'],
  positions: ['standing'],
});

const hip = (name: string, ask: string): Marker => ({
  name,
  ask,
  unit: 'degrees',
  min: 0,
  max: 60,
  step: 1,
  low: 'none',
  high: 'wide',
  typicalError: 3,
  components: [],
  positions: ['sitting'],
});

/** A grade is a step: with this error a change of one step is never called clear. */
const graded = (name: string, hands: string): Marker => ({
  name,
  ask: `${hands}, three quiet breaths: none 0, trace 1, clear 2, full 3. Twice, looking away between.`,
  unit: 'of 3',
  min: 0,
  max: 3,
  step: 1,
  low: 'none',
  high: 'full',
  typicalError: 0.5,
  components: [],
});

/** What can be chosen as today's own marker: asked or measured before the work and again after it. */
export const markerMeasures = {
  ease: {
    name: 'deep-breath ease',
    ask: '“Take one comfortable deep breath. How easily does it come, 0 not at all, 10 freely?” Ask twice.',
    unit: 'of 10',
    min: 0,
    max: 10,
    step: 0.5,
    low: 'not at all',
    high: 'freely',
    typicalError: 0.5,
    components: ['deepBreath'],
  },
  sideBendLeft: sideBend('left'),
  sideBendRight: sideBend('right'),
  shoulderReach: {
    name: 'shoulder reach',
    ask: 'Arm forward and up until the ribs want to follow. Degrees from the side of the body, twice.',
    unit: 'degrees',
    min: 0,
    max: 180,
    step: 5,
    low: 'at the side',
    high: 'overhead',
    typicalError: 5,
    components: ['armsOverhead'],
  },
  hipRotationLeft: hip(
    'left hip inward rotation',
    'Sitting, left knee still, foot out to the side. Degrees from upright, twice.',
  ),
  hipRotationRight: hip(
    'right hip inward rotation',
    'Sitting, right knee still, foot out to the side. Degrees from upright, twice.',
  ),
  complaint: {
    name: 'the complaint',
    ask: '“How much of it is there now, 0 none, 10 as bad as can be?” Ask twice, with a minute between.',
    unit: 'of 10',
    min: 0,
    max: 10,
    step: 0.5,
    low: 'none',
    high: 'as bad as can be',
    typicalError: 0.7,
    components: [],
  },
  exhaleLength: {
    name: 'easy full exhale',
    ask: 'One easy full exhale, by the watch; two quiet breaths; once more.',
    unit: 's',
    min: 0,
    max: 40,
    step: 0.5,
    low: 'short',
    high: 'long',
    typicalError: 1,
    components: ['deepBreath'],
  },
  fingerGapOpening: {
    name: 'finger gap',
    ask: 'Hands round the lower ribs: how far the fingertips part on a comfortable inhale, twice.',
    unit: 'cm',
    inInches: 'in',
    min: 0,
    max: 15,
    step: 0.5,
    low: 'none',
    high: 'wide',
    typicalError: 0.4,
    components: [],
  },
  restingRate: {
    name: 'resting rate',
    ask: 'Breaths in a full minute at rest, counted twice.',
    unit: 'a minute',
    min: 4,
    max: 40,
    step: 0.5,
    low: 'slow',
    high: 'quick',
    typicalError: 1,
    components: [],
  },
  steadyMarches: {
    name: 'steady marches',
    ask: 'Five marches a side, foot up on the exhale: how many of the ten with belly, back and hips still? Twice.',
    unit: 'of 10',
    min: 0,
    max: 10,
    step: 1,
    low: 'none',
    high: 'all',
    typicalError: 1,
    components: ['march'],
  },
  sidesGrade: graded('both sides, graded', 'Hands on both sides'),
  backsGrade: graded('both backs, graded', 'Hands on the back ribs'),
  bellyGrade: graded('the belly, graded', 'Hand below the navel'),
  hipRotation: hip(
    'hip inward rotation',
    'Sitting, knee still, foot out to the side. Degrees from upright, the tighter hip, twice.',
  ),
} satisfies Record<string, Marker>;

export type MarkerMeasure = keyof typeof markerMeasures;
export const markerMeasureIds = Object.keys(markerMeasures) as [MarkerMeasure, ...MarkerMeasure[]];

/** Where a marker is asked, the usual position first. @example markerPositions('hipRotationLeft') // ['sitting'] */
export const markerPositions = (measure: MarkerMeasure): readonly LookPosition[] =>
  (markerMeasures[measure] as Marker).positions ?? anywhere;

/** A tape in inches is read to a fifth of one: about the half centimetre of the other side. */
const inchStep = 0.2;

/** How a marker is asked for: its unit, between which values, in which steps, and what is kept of a value. */
interface MarkerScale extends Pick<Marker, 'unit' | 'min' | 'max' | 'step'> {
  shown: (kept: number) => number;
  kept: (shown: number) => number;
}

/**
 * How a marker is asked for where lengths are said in a unit; what is no length is asked alike in both.
 *
 * @example markerIn('fingerGapOpening', 'in').max // 5.8
 */
export function markerIn(measure: MarkerMeasure, lengths: LengthUnit): MarkerScale {
  const { unit, inInches, min, max, step }: Marker = markerMeasures[measure];
  const asIs = (value: number) => value;
  if (inInches === undefined || lengths === 'cm') return { unit, min, max, step, shown: asIs, kept: asIs };
  const tenths = (value: number) => Math.round(value * 10) / 10;
  return {
    unit: inInches,
    min: tenths(fromCm(min, lengths)),
    // Never past what can be kept: what lies beyond the last whole step is left out.
    max: tenths(Math.floor(fromCm(max, lengths) / inchStep) * inchStep),
    step: inchStep,
    shown: (kept) => tenths(fromCm(kept, lengths)),
    kept: (shown) => Math.round(toCm(shown, lengths) * 100) / 100,
  };
}
