'use client';

import { type ComponentProps } from 'react';
import { useHydrated } from '@/parts/useHydrated';
import { RunScreen } from './RunScreen';

/**
 * The live screen, drawn in the browser only: nothing on it can be used before the page is alive, and what a run looks like at this
 * very second the server can't know.
 */
export const LiveScreen = (props: ComponentProps<typeof RunScreen>) =>
  useHydrated() ? <RunScreen {...props} /> : <main id="main" className="h-dvh" aria-busy aria-label="Coaching" />;
