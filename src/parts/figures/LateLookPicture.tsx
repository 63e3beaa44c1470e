'use client';

import { late } from './body/late';

/** A small picture that helps a set-up, fetched once the page stands. */
export const LateLookPicture = late(() => import('./LookPicture').then(({ LookPicture }) => LookPicture));
