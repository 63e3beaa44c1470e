import { type RegionId } from '@/core/trunk';

/** What a drill opens, by part: 1 a little to 3 most. */
export type Opened = Partial<Record<RegionId, number>>;

/** The parts worth naming: what opens most, at most three, so that a picture says one thing. */
export function partsToTint(opened: Opened): RegionId[] {
  const parts = Object.entries(opened) as [RegionId, number][];
  const most = Math.max(0, ...parts.map(([, gain]) => gain));
  return parts
    .filter(([, gain]) => gain === most)
    .slice(0, 3)
    .map(([region]) => region);
}

/** The parts a picture tints: of what is seen from where the viewer stands, what opens most. */
export function partsSeen(opened: Opened, seen: (region: RegionId) => boolean): RegionId[] {
  const parts = Object.entries(opened) as [RegionId, number][];
  for (const gain of [3, 2, 1]) {
    const shown = parts.filter(([region, own]) => own === gain && seen(region)).map(([region]) => region);
    if (shown.length > 0) return shown.slice(0, 3);
  }
  return [];
}
