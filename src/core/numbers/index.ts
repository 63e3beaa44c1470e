export { type Chance, chanceFrom } from './chance';
export { meanOrNull } from './mean';
export { median, medianOrNull } from './median';
