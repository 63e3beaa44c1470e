'use client';

import { type ReactNode } from 'react';
import { type DateManner, tellDatesIn } from '@/core/record';

/** Around everything: days on the page are said as the studio is set, in the browser as on the server. */
export function DatesIn({ manner, children }: { manner: DateManner; children: ReactNode }) {
  tellDatesIn(manner);
  return children;
}
