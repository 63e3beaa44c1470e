/** Where a drill puts the hands. A person could follow each of these words alone. */
export const handIds = [
  'at rest',
  'breastbone and navel',
  'round the lower ribs',
  'last ribs',
  'belly',
  'low belly',
  'hip bones',
  'hip folds',
  'hip triangle',
  'side ribs and low belly',
  'breastbone and low ribs',
  'breastbone and back',
  'open side',
  'upper ribs',
  'top hand on the belly',
  'behind the head',
  'on the shoulders',
  'by the ears',
  'pinching the nose',
  'behind the thigh',
  'folded',
  'forearms on the thighs',
  'arm along the floor',
] as const;
export type HandsId = (typeof handIds)[number];

/** How a drill changes the legs of its position. */
export const legIds = ['as the position', 'ankles wide', 'one leg out', 'figure four', 'feet together'] as const;
export type LegsId = (typeof legIds)[number];

/** Where a band or towel lies round the trunk. */
export const bandLevelIds = ['lower ribs', 'waist', 'under the chest'] as const;
export type BandLevel = (typeof bandLevelIds)[number];
