'use client';

import { late } from './late';

/** A figure that breathes with a clock, fetched and drawn once the page stands. */
export const BreathingBody = late(() => import('./MovingBody').then(({ MovingBody }) => MovingBody));
