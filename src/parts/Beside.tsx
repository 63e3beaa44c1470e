'use client';

import dynamic from 'next/dynamic';
import { patiently } from './patiently';

/**
 * Something small that opens beside what was pressed. Placing it weighs much and nobody needs it at first: it is fetched once
 * the page stands, and is there from then on whatever the server does. Render it closed, always.
 */
export const Beside = dynamic(
  () => patiently(() => import('./BesidePopover')).then(({ BesidePopover }) => BesidePopover),
  {
    ssr: false,
  },
);

/** What a button carries that opens something. */
export const opener = (open: boolean, onOpenChange: (open: boolean) => void) =>
  ({
    type: 'button',
    'aria-haspopup': 'dialog',
    'aria-expanded': open,
    onClick: () => onOpenChange(!open),
  }) as const;
