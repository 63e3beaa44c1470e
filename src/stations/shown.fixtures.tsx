import { type ReactNode } from 'react';
import { useShown } from './useShown';
import { type ClientView } from './view';

/** A part of a station as its page shows it: what was said in this browser laid over what the page was made with. */
export function Shown({ view, children }: { view: ClientView; children: (view: ClientView) => ReactNode }) {
  return children(useShown(view));
}
