import { type Metadata, type Viewport } from 'next';
import { type ReactNode } from 'react';
import { Messages } from '@/parts/say';
import { Keeping } from '@/parts/shell/Keeping';
import './globals.css';
import { loadTheme } from './load';

export const metadata: Metadata = {
  title: { default: 'Kokyu', template: '%s · Kokyu' },
  description: 'A coaching aid for breathing: screen, look, read, sequence, coach, track.',
};

export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

// Every page shows what the studio's file holds now.
export const dynamic = 'force-dynamic';

export default async function RootLayout({ children }: { children: ReactNode }) {
  return (
    <html lang="en-GB" data-theme={await loadTheme()} suppressHydrationWarning>
      <body>
        <a
          href="#main"
          className="sr-only z-50 rounded-one border border-ink bg-paper px-4 py-2 focus:not-sr-only focus:fixed focus:top-2 focus:left-2"
        >
          To the content
        </a>
        <Keeping />
        {children}
        <Messages />
      </body>
    </html>
  );
}
