import * as z from 'zod/mini';
import { type Component } from '../../safety';
import { protocol } from '../define';
import { type FoundHere, type Severity, above } from '../finding';
import { type PostureTilt, bestPosture, postureNames, posturePositions, postureTilts, tiltNames } from '../posture';

/** What a tilt of the posture search asks of a trunk. */
export const tiltComponents: Readonly<Partial<Record<PostureTilt, readonly Component[]>>> = {
  arched: ['endRangeArch'],
  slouched: ['endRangeTuck', 'loadedRounding'],
};

const findings = {
  lostSitting: 'the low breath is good lying and lost sitting',
  lostStanding: 'the low breath is good lying and lost standing',
  dropArched: 'the low breath is lost when arched',
  dropSlouched: 'the low breath is lost when slouched',
};

export const postureSearch = protocol({
  name: 'Posture search',
  minutes: 1.2,
  positions: ['sitting'],
  setUp:
    'Lying, then seated, then standing. Arched, slouched, between, with small tips of the pelvis. How deep is the low breath in each?',
  means: 'The best one is the posture cue; the drop when arched or slouched is the finding. Harder each time is usual.',
  takenTwice: true,
  picture: 'posture',
  kept: {
    /** Depth of the low breath 0 to 10 in each posture. */
    depth: z._default(
      z.partialRecord(
        z.enum(posturePositions),
        z.partialRecord(z.enum(postureTilts), z.number().check(z.minimum(0), z.maximum(10))),
      ),
      {},
    ),
  },
  contains: ({ depth }) =>
    Object.values(depth).flatMap((tilts) =>
      (Object.keys(tilts) as PostureTilt[]).flatMap((tilt) => tiltComponents[tilt] ?? []),
    ),
  tells: ({ depth }) => {
    const { best } = bestPosture(depth);
    const words = posturePositions.flatMap((position) => {
      const at = best[position];
      if (!at) return [];
      const name = `${postureNames[position].toLowerCase()} ${at.depth}`;
      return [position === 'lying' ? name : `${name}, ${tiltNames[at.tilt].toLowerCase()}`];
    });
    return words.length === 0 ? null : words.join('; ');
  },
  findings,
  reads: ({ depth }) => {
    const { best, dropArched, dropSlouched, lostSitting, lostStanding } = bestPosture(depth);
    const drops = [
      [5, 3],
      [3.5, 2],
    ] as const;
    const found: FoundHere<keyof typeof findings> = {};
    if (dropArched !== null) found.dropArched = { severity: above(dropArched, drops) };
    if (dropSlouched !== null) found.dropSlouched = { severity: above(dropSlouched, drops) };
    // What was never there can't be lost; harder each time is usual, so the edges lie beyond it.
    const goodLying = (best.lying?.depth ?? 0) >= 5;
    const lost = (drop: number, edges: Parameters<typeof above>[1]) => ({
      severity: goodLying ? above(drop, edges) : (0 as Severity),
    });
    if (lostSitting !== null)
      found.lostSitting = lost(lostSitting, [
        [4.5, 3],
        [3, 2],
        [2, 1],
      ]);
    if (lostStanding !== null)
      found.lostStanding = lost(lostStanding, [
        [5, 3],
        [3.5, 2],
        [2.5, 1],
      ]);
    return found;
  },
});
