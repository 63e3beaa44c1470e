'use client';

import dynamic from 'next/dynamic';
import { memo } from 'react';
import { patiently } from '@/parts/patiently';

/**
 * A visit by itself, to be read first of all: the server draws it, and what it is worked out with here, the whole catalogue among it, comes
 * once the page listens.
 */
export const VisitStation = memo(
  dynamic(() => patiently(() => import('./VisitPage')).then(({ VisitPage }) => VisitPage), {
    loading: () => <p className="min-h-dvh text-ink2">The visit …</p>,
  }),
);
