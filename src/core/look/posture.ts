export const posturePositions = ['lying', 'sitting', 'standing'] as const;
export type PosturePosition = (typeof posturePositions)[number];
export const postureTilts = ['between', 'arched', 'slouched', 'frontUp', 'frontDown'] as const;
export type PostureTilt = (typeof postureTilts)[number];

/** Depth of the low breath, 0 to 10, by position and tilt; what was not tried is left out. */
export type LowBreathDepth = { [P in PosturePosition]?: { [T in PostureTilt]?: number | undefined } | undefined };

export const postureNames: Readonly<Record<PosturePosition, string>> = {
  lying: 'Lying',
  sitting: 'Sitting',
  standing: 'Standing',
};

export const tiltNames: Readonly<Record<PostureTilt, string>> = {
  between: 'Between',
  arched: 'Arched',
  slouched: 'Slouched',
  frontUp: 'Front of the pelvis a little up',
  frontDown: 'Front of the pelvis a little down',
};

export interface PostureResult {
  /** The posture of each position with the deepest low breath. */
  best: Partial<Record<PosturePosition, { tilt: PostureTilt; depth: number }>>;
  /** Depth lost when arched and when slouched against the best upright one; null where it was not tried. */
  dropArched: number | null;
  dropSlouched: number | null;
  /** Depth lost from lying to the best of sitting, and to the best of standing; null unless both were tried. */
  lostSitting: number | null;
  lostStanding: number | null;
}

/**
 * Where the low breath is deepest, and what is lost by arching, slouching and coming upright.
 *
 * @param depth 0 to 10 by position and tilt; what was not tried is left out
 * @example bestPosture({ sitting: { between: 7, arched: 3 } }).dropArched // 4
 */
export function bestPosture(depth: LowBreathDepth): PostureResult {
  const best: PostureResult['best'] = {};
  for (const position of posturePositions) {
    for (const tilt of postureTilts) {
      const value = depth[position]?.[tilt];
      if (value !== undefined && value > (best[position]?.depth ?? -1)) best[position] = { tilt, depth: value };
    }
  }
  const drop = (tilt: PostureTilt) => {
    const drops = (['sitting', 'standing'] as const).flatMap((position) => {
      const value = depth[position]?.[tilt];
      const top = best[position];
      return value === undefined || !top || top.tilt === tilt ? [] : [top.depth - value];
    });
    return drops.length === 0 ? null : Math.max(...drops);
  };
  const lost = (position: 'sitting' | 'standing') =>
    best.lying && best[position] ? best.lying.depth - best[position].depth : null;
  return {
    best,
    dropArched: drop('arched'),
    dropSlouched: drop('slouched'),
    lostSitting: lost('sitting'),
    lostStanding: lost('standing'),
  };
}
