import { type Vec, between } from '@/core/vector';
import { type Eye, type Flat, type Spot, capsulePath } from './outline';
import { type Sample } from './order';

/** What a shape is, for the pen: each has its fill and line. */
export type Tone =
  | 'floor'
  | 'wall'
  | 'wood'
  | 'woodSide'
  | 'soft'
  | 'band'
  | 'rubber'
  | 'metal'
  | 'air'
  | 'shadow'
  | 'leg'
  | 'legFar'
  | 'trunk'
  | 'trunkFar'
  | 'skin'
  | 'skinFar'
  | 'hand'
  | 'hair'
  | 'tint'
  | 'core'
  | 'fine';

export interface Shape {
  d: string;
  tone: Tone;
  /** A light edge that sets it off from what lies behind; an ink edge; both; or only its fill. */
  edge: 'halo' | 'ink' | 'both' | 'none';
  /** Of a line: how wide, in centimetres. */
  wide?: number;
}

export interface Part {
  name: string;
  samples: Sample[];
  shapes: Shape[];
  /** Fill without an edge that closes the joint with the next piece of the limb. */
  stub?: Shape;
  joins?: string;
}

export const flat = ([x, y]: Spot): Flat => [x, y];

export const sampled = (eye: Eye, from: Vec, to: Vec, ra: number, rb: number, first = 0, last = 1): Sample[] =>
  Array.from({ length: 5 }, (_, at) => {
    const part = first + ((last - first) * at) / 4;
    const [x, y, near] = eye.see(between(from, to, part));
    return { x, y, near, radius: (ra + (rb - ra) * part) * 100 };
  });

export const piece = (eye: Eye, from: Vec, to: Vec, ra: number, rb: number): string =>
  capsulePath(flat(eye.see(from)), ra * 100, flat(eye.see(to)), rb * 100);
