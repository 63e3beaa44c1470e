'use client';

import { late } from './late';

/**
 * A figure that is fetched and drawn once the page stands: it takes some milliseconds to solve and more room than the rest of a page
 * that has several, and nobody reads it before the page can be used.
 */
export const LateBody = late(() => import('./BodyFigure').then(({ BodyFigure }) => BodyFigure));
