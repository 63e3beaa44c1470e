import { type Stance } from './mechanics';

/** How far a body goes, with room for the supple: what lies beyond is a slip of the finger. Degrees; push as a part, hips in metres. Rounded, ours. */
export const humanRange: Readonly<Record<keyof Stance, { least: number; most: number; name: string; unit: string }>> = {
  side: { least: -45, most: 45, name: 'A bend to the side', unit: '°' },
  fold: { least: -40, most: 90, name: 'A rounding of the spine', unit: '°' },
  turn: { least: -60, most: 60, name: 'A turn of the spine', unit: '°' },
  lean: { least: -100, most: 110, name: 'A lean from the hips', unit: '°' },
  arm: { least: 0, most: 180, name: 'A raised arm', unit: '°' },
  push: { least: 0, most: 1, name: 'A push of the hands', unit: '' },
  hips: { least: 0.1, most: 1.3, name: 'The height of the hips', unit: ' m' },
};

export const groundIds = ['feet', 'seat', 'hands', 'back', 'step', 'split'] as const;
export const handsLoaded = ['left', 'right', 'both', 'none'] as const;
