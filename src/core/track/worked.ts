import { type RunDigest } from '../coach';

/** How often something was seen, and how often it went well. */
export interface Worked {
  /** A drill's id, a position, a cue's words. */
  what: string;
  times: number;
  well: number;
}

/** What worked for a client, from the logs: each list by how often it went well, then by how much of the time. */
export interface WhatWorked {
  /** Gone calmly, of the times it was done. */
  drills: Worked[];
  positions: Worked[];
  /** Landed, of the times it was said and answered. */
  cues: Worked[];
}

const byWell = (a: Worked, b: Worked) =>
  b.well - a.well || b.well / b.times - a.well / a.times || (a.what < b.what ? -1 : 1);

/**
 * What worked for a client, and how often that was seen. A drill of which too little was done to say counts nowhere.
 *
 * @param runs what the runs came to for this client
 * @example whatWorked([]).cues // []
 */
export function whatWorked(runs: readonly RunDigest[]): WhatWorked {
  const tallies = {
    drills: new Map<string, Worked>(),
    positions: new Map<string, Worked>(),
    cues: new Map<string, Worked>(),
  };
  const tally = (list: keyof typeof tallies, what: string, well: boolean) => {
    const before = tallies[list].get(what) ?? { what, times: 0, well: 0 };
    tallies[list].set(what, { what, times: before.times + 1, well: before.well + Number(well) });
  };
  for (const { drillId, position, outcome, landed, missed } of runs.flat()) {
    if (outcome !== null) {
      tally('drills', drillId, outcome === 'calm');
      tally('positions', position, outcome === 'calm');
    }
    for (const cue of landed) tally('cues', cue, true);
    for (const cue of missed) tally('cues', cue, false);
  }
  const sorted = (list: keyof typeof tallies) => [...tallies[list].values()].sort(byWell);
  return { drills: sorted('drills'), positions: sorted('positions'), cues: sorted('cues') };
}
