import { type ReactNode } from 'react';
import { Messages } from '@/parts/say';
import { Keeping } from '@/parts/shell/Keeping';
import { Lock } from '@/parts/shell/Lock';
import { asker } from '@/store';
import { loadSettings } from '../load';

/** Around every page a coach works on: what was recorded is sent, and what went wrong with it is told. */
export default function StudioLayout({ children }: { children: ReactNode }) {
  const { coachId, name } = asker();
  const who = coachId === null ? null : { coachId, name: name ?? '', lockMinutes: loadSettings().lockMinutes };
  return (
    <Lock who={who}>
      <a
        href="#main"
        className="sr-only z-50 rounded-one border border-ink bg-paper px-4 py-2 focus:not-sr-only focus:fixed focus:top-2 focus:left-2"
      >
        To the content
      </a>
      <Keeping />
      {children}
      <Messages />
    </Lock>
  );
}
