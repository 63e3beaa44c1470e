'use client';

import { type ComponentType, type ReactNode, memo, useMemo } from 'react';
import { type Recorded, type Said, shownWith } from '@/core/record';
import { useSaid } from '@/keep';
import { sayTheSame } from './sayTheSame';
import { type ClientView } from './view';

/** The client as the person in front of the page has left them, whatever the server has of it by now. */
export function useShown<V extends ClientView>(served: V): V {
  const said = useSaid();
  return useMemo(() => shownOver(served, said), [served, said]);
}

/** What a station is not given stands empty, so that what was said of it has a place; nobody reads it. */
const shownOver = <V extends ClientView>(served: V, said: readonly Said[]): V =>
  shownWith(served as unknown as Recorded, said) as unknown as V;

/**
 * A station of the client as {@link useShown} has them. What is said comes three times: as it is said, as the server has it, and in the
 * page made anew; it is drawn once, where the other two say the same.
 */
export function drawnAsShown<P extends { view: ClientView }>(Station: ComponentType<P>): (props: P) => ReactNode {
  const Drawn = memo(Station, sayTheSame) as unknown as ComponentType<P>;
  return function DrawnAsShown(props: P) {
    return <Drawn {...props} view={useShown(props.view)} />;
  };
}
