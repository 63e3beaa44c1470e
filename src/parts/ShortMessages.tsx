'use client';

import { useEffect } from 'react';
import { Toaster, toast } from 'sonner';

/** Short messages at the foot, with undo where there is a way back. */
export function ShortMessages({ onStanding }: { onStanding: (say: typeof toast) => void }) {
  useEffect(() => onStanding(toast), [onStanding]);
  return (
    <Toaster
      position="bottom-left"
      // Above the foot with the way on: what comes up must not come under a finger that is going there.
      offset={{ bottom: '6rem' }}
      mobileOffset={{ bottom: '6rem' }}
      duration={7000}
      toastOptions={{
        unstyled: true,
        classNames: {
          toast:
            'font-sans flex w-[min(92vw,26rem)] items-center gap-3 rounded-one border border-ink bg-paper px-4 py-3 text-base text-ink',
          content: 'grow',
          actionButton: 'min-h-11 shrink-0 rounded-one border border-ink px-3 font-semibold hover:bg-leaf',
        },
      }}
    />
  );
}
