'use client';

import { useMemo } from 'react';
import { type Recorded, type Said, shownWith } from '@/core/record';
import { useSaid } from '@/keep';
import { type ClientView } from './view';

/** The client as the person in front of the page has left them, whatever the server has of it by now. */
export function useShown<V extends ClientView>(served: V): V {
  const said = useSaid();
  return useMemo(() => shownOver(served, said), [served, said]);
}

/** What a station is not given stands empty, so that what was said of it has a place; nobody reads it. */
const shownOver = <V extends ClientView>(served: V, said: readonly Said[]): V =>
  shownWith(served as unknown as Recorded, said) as unknown as V;
