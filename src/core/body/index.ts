export { radii } from './build';
export { type Figure, type FigureSpec, figureOf, specOf } from './figure';
export { type Side, sides } from './pose';
export { type Body } from './solve';
export { type Thing, cornersOf } from './things';
export { type Swelling, frameAt, regionPlaces, ringAt, ringHeights, surfaceAt } from './trunk';
export { type Frame, type Vec, add, between, cosine, cross, dot, inFrame, minus, sine, times, unit } from './vector';
