import { type ReactNode } from 'react';
import { Messages } from '@/parts/say';
import { Keeping } from '@/parts/shell/Keeping';

/** Around every page a coach works on: what was recorded is sent, and what went wrong with it is told. */
export default function StudioLayout({ children }: { children: ReactNode }) {
  return (
    <>
      <a
        href="#main"
        className="sr-only z-50 rounded-one border border-ink bg-paper px-4 py-2 focus:not-sr-only focus:fixed focus:top-2 focus:left-2"
      >
        To the content
      </a>
      <Keeping />
      {children}
      <Messages />
    </>
  );
}
