'use client';

import { baseMap } from '@/core/look';
import { commonPractice } from '@/core/reasons';
import { type Repeats, changeOf, clearestChange, markerBeforeAfter, ringChangeInWords } from '@/core/track';
import { LinkButton } from '@/parts/Button';
import { Fence } from '@/parts/Fence';
import { EmptyState } from '@/parts/Notice';
import { ProvenanceMark } from '@/parts/Provenance';
import { Ring, RingLegend } from '@/parts/figures/Ring';
import { ChangeLine } from '../ChangeLine';
import { StationHead } from '../StationHead';
import { TrackNav } from './TrackNav';
import { drawnAsShown } from '../useShown';
import { type ClientView } from '../view';

/** Track, this visit: what changed today; like with like, and no change called clear that is within noise. */
export const TrackStation = drawnAsShown(function TrackStation({
  view,
  repeats,
}: {
  view: ClientView<'looks'>;
  repeats: Repeats;
}) {
  return (
    <div>
      <StationHead
        title={(view.visit && clearestChange(view.visit)) ?? 'Track'}
        line="A change counts when it is larger than repeat-to-repeat noise."
      >
        <TrackNav clientId={view.id} on="visit" visit />
      </StationHead>
      {view.visit ? (
        <Fence what="What changed today">
          <TodayChange view={view} repeats={repeats} />
        </Fence>
      ) : (
        <EmptyState as="h2" title="No visit today.">
          <LinkButton href={`/clients/${view.id}/track/visits`}>Over visits</LinkButton>
        </EmptyState>
      )}
    </div>
  );
});

function TodayChange({ view, repeats }: { view: ClientView<'looks'>; repeats: Repeats }) {
  const looks = view.visit?.looks ?? [];
  const before = baseMap(looks, 'before');
  const after = baseMap(looks, 'after');
  const marker = markerBeforeAfter(looks);
  const change = marker && changeOf(marker.measure, marker.before, marker.after, repeats[marker.measure] ?? []);
  return (
    <section aria-labelledby="today" className="border-t border-ink pt-4">
      <h2 id="today" className="text-lg">
        Today
      </h2>
      {!before || !after ? (
        <p className="mt-2 text-ink2">
          {view.visit
            ? 'Once the region map is graded again after the drills, before and after lie over each other here.'
            : 'No visit today.'}
        </p>
      ) : (
        <div className="mt-3 grid gap-8 md:grid-cols-[minmax(0,26rem)_1fr]">
          <figure>
            <Ring
              title="Deep breaths, before and after the drills"
              first={before.raw.deep}
              second={after.raw.deep}
              neck={after.raw.neckDeep}
              names={['before', 'after']}
            />
            <figcaption className="mt-2">
              <RingLegend names={['before', 'more after']} />
            </figcaption>
          </figure>
          <div className="space-y-2 text-lg" role="status">
            {before.raw.position !== after.raw.position ? (
              <p>
                The maps were taken {before.raw.position} and {after.raw.position}: not like with like, so no change is
                called.
              </p>
            ) : (
              <>
                <p className="text-base text-ink2">Deep breaths</p>
                {ringChangeInWords(before.raw.deep, after.raw.deep).map((sentence) => (
                  <p key={sentence}>{sentence}</p>
                ))}
                <p className="pt-2 text-base text-ink2">Quiet breaths</p>
                {ringChangeInWords(before.raw.quiet, after.raw.quiet).map((sentence) => (
                  <p key={sentence}>{sentence}</p>
                ))}
                <p className="text-base text-ink2">
                  A single step of a grade is never called clear. <ProvenanceMark provenance={commonPractice} />
                </p>
              </>
            )}
          </div>
        </div>
      )}
      {change && <ChangeLine change={change} lengths={view.settings.lengthUnit} />}
    </section>
  );
}
