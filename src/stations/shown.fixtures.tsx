import { type ReactNode } from 'react';
import { useShown } from './useShown';
import { type ClientView } from './view';

/** A part of a station as its page shows it: what was said in this browser laid over what the page was made with. */
export function Shown<V extends ClientView>({ view, children }: { view: V; children: (view: V) => ReactNode }) {
  return children(useShown(view));
}
