'use client';

import { type ComponentProps } from 'react';
import { useHydrated } from '../../useHydrated';
import { BodyFigure } from './BodyFigure';

/**
 * A figure that is drawn in the browser only: it takes some milliseconds to solve and more room than the rest of a page that has
 * several, and nobody reads it before the page can be used. Its place is kept.
 */
export function LateBody(props: ComponentProps<typeof BodyFigure>) {
  return useHydrated() ? <BodyFigure {...props} /> : <div className={props.className} aria-hidden />;
}
