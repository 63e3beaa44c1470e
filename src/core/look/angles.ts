import * as z from 'zod/mini';

/** A point on a photo, in pixels of the stored picture: x to the right, y down. */
const pointSchema = z.object({
  x: z.number().check(z.minimum(0), z.maximum(20000)),
  y: z.number().check(z.minimum(0), z.maximum(20000)),
});
export type PhotoPoint = z.infer<typeof pointSchema>;

/** The three things that are measured on a photo, and where to put the points. Nothing else is. */
export const photoMeasures = {
  infrasternal: {
    name: 'infrasternal angle',
    view: 'From the front, the whole costal arch in the picture.',
    points: ['tip of the breastbone', 'costal arch, picture left', 'costal arch, picture right'],
    unit: 'degrees',
  },
  pelvicTilt: {
    name: 'ASIS–PSIS tilt',
    view: 'From the side, camera level, front hip point and back dimple marked.',
    points: ['ASIS, front hip point', 'PSIS, back dimple'],
    unit: 'degrees',
  },
  thoraxOffset: {
    name: 'thorax over pelvis',
    view: 'From the side, camera level, whole trunk in the picture.',
    points: ['middle of the lower ribs', 'middle of the pelvis', 'a point in front of the body'],
    unit: '% of trunk height',
  },
} as const;
export type PhotoMeasure = keyof typeof photoMeasures;
export const photoMeasureIds = Object.keys(photoMeasures) as [PhotoMeasure, ...PhotoMeasure[]];

/** A photo in the local data folder with the points placed on it; the angle is worked out when read. */
export const landmarkPhotoSchema = z.object({
  photoId: z.uuid(),
  measure: z.enum(photoMeasureIds),
  widthPx: z.number().check(z.int(), z.minimum(1), z.maximum(20000)),
  heightPx: z.number().check(z.int(), z.minimum(1), z.maximum(20000)),
  points: z.array(pointSchema).check(z.maxLength(3)),
});
export type LandmarkPhoto = z.infer<typeof landmarkPhotoSchema>;

const degrees = (radians: number) => (radians * 180) / Math.PI;

/**
 * Angle at a vertex between the directions to two other points.
 *
 * @returns degrees, 0 to 180
 * @throws {RangeError} when a point lies on the vertex
 * @example angleAt({ x: 0, y: 0 }, { x: 1, y: 0 }, { x: 0, y: 1 }) // 90
 */
export function angleAt(vertex: PhotoPoint, one: PhotoPoint, other: PhotoPoint): number {
  const a = { x: one.x - vertex.x, y: one.y - vertex.y };
  const b = { x: other.x - vertex.x, y: other.y - vertex.y };
  if ((a.x === 0 && a.y === 0) || (b.x === 0 && b.y === 0)) throw new RangeError('Two points lie on each other.');
  return Math.abs(degrees(Math.atan2(a.x * b.y - a.y * b.x, a.x * b.x + a.y * b.y)));
}

/**
 * Tilt of the line from PSIS to ASIS against the horizontal: above 0 the front is lower (tipped forward), whichever way
 * the client faces. Scale-free.
 *
 * @returns degrees, −90 to 90
 * @throws {RangeError} when the points stand above each other or on each other
 * @example pelvicTiltDegrees({ x: 100, y: 110 }, { x: 0, y: 100 }) // 5.7…
 */
export function pelvicTiltDegrees(asis: PhotoPoint, psis: PhotoPoint): number {
  const across = Math.abs(asis.x - psis.x);
  if (across === 0) throw new RangeError('ASIS and PSIS stand above each other: the photo is not from the side.');
  return degrees(Math.atan2(asis.y - psis.y, across));
}

/**
 * How far the thorax is carried in front of (above 0) or behind (below 0) the pelvis, as a part of the height between
 * them. Scale-free; a third point says which way is front.
 *
 * @returns percent
 * @throws {RangeError} when the points are level or the front point gives no direction
 * @example thoraxOffsetPercent({ x: 110, y: 0 }, { x: 100, y: 100 }, { x: 300, y: 50 }) // 10
 */
export function thoraxOffsetPercent(thorax: PhotoPoint, pelvis: PhotoPoint, front: PhotoPoint): number {
  const height = Math.abs(pelvis.y - thorax.y);
  const facing = Math.sign(front.x - pelvis.x);
  if (height === 0) throw new RangeError('Ribs and pelvis are level: place them one above the other.');
  if (facing === 0) throw new RangeError('The third point must lie in front of the body.');
  return ((thorax.x - pelvis.x) * facing * 100) / height;
}

/**
 * The figure a photo gives, or null while points are missing.
 *
 * @throws {RangeError} with one sentence when the points give no angle
 * @example photoFigure({ measure: 'infrasternal', points: [{ x: 0, y: 0 }, { x: -1, y: 1 }, { x: 1, y: 1 }] }) // 90
 */
export function photoFigure({ measure, points }: Pick<LandmarkPhoto, 'measure' | 'points'>): number | null {
  if (points.length < photoMeasures[measure].points.length) return null;
  const [first, second, third] = points as [PhotoPoint, PhotoPoint, PhotoPoint];
  switch (measure) {
    case 'infrasternal':
      return angleAt(first, second, third);
    case 'pelvicTilt':
      return pelvicTiltDegrees(first, second);
    case 'thoraxOffset':
      return thoraxOffsetPercent(first, second, third);
  }
}

/** The figure of a photo, or null while it gives none: points missing, or lying where no angle is. */
export function photoFigureOrNull(photo: Pick<LandmarkPhoto, 'measure' | 'points'>): number | null {
  try {
    return photoFigure(photo);
  } catch {
    return null;
  }
}

/** What a figure means in words; the edges are common practice, sizes ours. */
export function photoInWords(measure: PhotoMeasure, figure: number): string {
  switch (measure) {
    case 'infrasternal':
      return `${Math.round(figure)}°: ${figure < 75 ? 'narrow' : figure > 105 ? 'wide' : 'middle'}`;
    case 'pelvicTilt':
      return `${Math.abs(figure).toFixed(0)}°: ${figure > 8 ? 'tipped forward' : figure < -3 ? 'tucked' : 'about level'}`;
    case 'thoraxOffset':
      return `${Math.abs(figure).toFixed(0)} % ${figure > 5 ? 'in front of' : figure < -5 ? 'behind' : 'over'} the pelvis`;
  }
}
