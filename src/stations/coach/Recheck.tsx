'use client';

import { useState } from 'react';
import { baseMap } from '@/core/look';
import { type Repeats, changeOf, markerBeforeAfter } from '@/core/track';
import { Button } from '@/parts/Button';
import { ChangeLine } from '../ChangeLine';
import { Gated } from '../taking/Gated';
import { Marker } from '../taking/Marker';
import { RegionMap } from '../taking/RegionMap';
import { type ClientView } from '../view';

/** Marker and map once more after a run, and what they say now. */
export function Recheck({ view, repeats }: { view: ClientView<'looks'>; repeats: Repeats }) {
  const visit = view.visit!;
  const before = baseMap(visit.looks, 'before');
  return (
    <section aria-labelledby="recheck" className="mt-7 border-t-2 border-ink pt-4">
      <h2 id="recheck" className="text-lg">
        Recheck
      </h2>
      <p className="mb-4 text-ink2">
        Same words, same position{before ? `: ${before.raw.position}` : ''}. The first map is not shown, so that the eye
        is fresh.
      </p>
      <Gated view={view} id="marker">
        <Marker view={view} moment="after" />
        <MarkerChange view={view} repeats={repeats} />
      </Gated>
      <MapAgain view={view} />
    </section>
  );
}

/** The map once more, folded up until it is wanted or begun: the marker is asked of everybody, the map of few. */
function MapAgain({ view }: { view: ClientView<'looks'> }) {
  const begun = baseMap(view.visit!.looks, 'after') !== null;
  const [open, setOpen] = useState(begun);
  return (
    <div className="mt-4">
      {open || begun ? (
        <RegionMap view={view} moment="after" />
      ) : (
        <Button onClick={() => setOpen(true)}>Map it again</Button>
      )}
    </div>
  );
}

/** What the marker says now, against the client's own noise. */
function MarkerChange({ view, repeats }: { view: ClientView<'looks'>; repeats: Repeats }) {
  const marker = markerBeforeAfter(view.visit!.looks);
  if (!marker) return null;
  const change = changeOf(marker.measure, marker.before, marker.after, repeats[marker.measure] ?? []);
  return <ChangeLine change={change} lengths={view.settings.lengthUnit} />;
}
