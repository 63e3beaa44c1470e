'use client';

import { late } from '../body/late';

/** Fetched and drawn once the page stands, as every figure is. */
export const LateLoadFigure = late(() => import('./LoadFigure').then(({ LoadFigure }) => LoadFigure));
