import { type ReactNode } from 'react';
import { TopBar } from '@/parts/shell/TopBar';
import { loadSettings, loadLook } from '../load';

/** The frame of pages that are not about one client. */
export async function StudioShell({ children }: { children: ReactNode }) {
  const { studioName, timeZone } = loadSettings();
  return (
    <>
      <TopBar studioName={studioName} zone={timeZone} theme={(await loadLook()).theme} />
      <main id="main" className="mx-auto max-w-6xl px-4 py-7 lg:px-7">
        {children}
      </main>
    </>
  );
}
