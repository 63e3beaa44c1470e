'use client';

import {
  type PosturePosition,
  type PostureTilt,
  bestPosture,
  postureNames,
  posturePositions,
  postureTilts,
  tiltComponents,
  tiltNames,
  testVerdict,
} from '@/core/look';
import { positions } from '@/core/catalogue';
import { refusalInWords } from '@/core/safety';
import { Slider } from '@/parts/Slider';
import { type LookView } from '../view';
import { LookError } from '../taking/LookError';
import { useLook } from '../taking/useLook';

/** Lying has one posture; upright ones are searched. */
const tiltsOf = (position: PosturePosition): readonly PostureTilt[] =>
  position === 'lying' ? ['between'] : postureTilts;

/** How deep the low breath is in each posture, 0 to 10; the best one is the cue. */
export function PostureSearch({ view }: { view: LookView }) {
  const { raw, save, error } = useLook(view, 'postureSearch');
  const { best, dropArched, dropSlouched, lostSitting, lostStanding } = bestPosture(raw.depth);
  const set = (position: PosturePosition, tilt: PostureTilt, value: number) =>
    save({ ...raw, depth: { ...raw.depth, [position]: { ...raw.depth[position], [tilt]: value } } });
  const lying = testVerdict(view.gates, positions['hook-lying'].components);
  const sentences = [
    ...posturePositions.flatMap((position) => {
      const found = best[position];
      return found && position !== 'lying'
        ? [`${postureNames[position]}: deepest ${tiltNames[found.tilt].toLowerCase()}. That is the cue.`]
        : [];
    }),
    ...(dropArched !== null && dropArched >= 3 ? [`${dropArched} of 10 is lost when arched.`] : []),
    ...(dropSlouched !== null && dropSlouched >= 3 ? [`${dropSlouched} of 10 is lost when slouched.`] : []),
    // Harder each time is usual: a loss is told from where it is more than that.
    ...(lostSitting !== null && lostSitting >= 2 ? [`${lostSitting} of 10 is lost sitting up.`] : []),
    ...(lostStanding !== null && lostStanding >= 3 ? [`${lostStanding} of 10 is lost standing.`] : []),
  ];
  return (
    <div className="space-y-6">
      <div className="grid gap-x-10 gap-y-6 md:grid-cols-2">
        {posturePositions.map((position) => (
          <section
            key={position}
            aria-label={postureNames[position]}
            className={position === 'lying' ? 'md:col-span-2 md:max-w-[calc(50%-1.25rem)]' : ''}
          >
            <h2 className="border-b border-rule pb-1 text-base">{postureNames[position]}</h2>
            {position === 'lying' && !lying.allowed ? (
              <p className="mt-2 text-ink2">{refusalInWords(lying)}</p>
            ) : (
              tiltsOf(position).map((tilt) => {
                const verdict = testVerdict(view.gates, tiltComponents[tilt] ?? []);
                return verdict.allowed ? (
                  <Slider
                    key={tilt}
                    compact
                    label={position === 'lying' ? 'Depth of the low breath' : tiltNames[tilt]}
                    value={raw.depth[position]?.[tilt] ?? null}
                    min={0}
                    max={10}
                    step={1}
                    low="none"
                    high="deep"
                    onChange={(value) => set(position, tilt, value)}
                  />
                ) : (
                  <p key={tilt} className="py-2 text-ink2">
                    {tiltNames[tilt]}: {refusalInWords(verdict)}
                  </p>
                );
              })
            )}
          </section>
        ))}
      </div>
      <div role="status" className="text-lg">
        {sentences.map((sentence) => (
          <p key={sentence}>{sentence}</p>
        ))}
      </div>
      <LookError error={error} />
    </div>
  );
}
