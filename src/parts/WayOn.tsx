import { type ReactNode } from 'react';

/**
 * What comes next, always in the same place: found without looking, and without scrolling; at the right, since short messages come up at
 * the left. In a window too low for it, it stands at the
 * end of the page.
 */
export function WayOn({ children }: { children: ReactNode }) {
  return (
    <div className="z-10 mt-6 flex flex-wrap items-center justify-end gap-3 border-t border-rule bg-paper py-3 [@media(min-height:34rem)]:sticky [@media(min-height:34rem)]:bottom-0">
      {children}
    </div>
  );
}
