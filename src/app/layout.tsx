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
        <Keeping />
        {children}
        <Messages />
      </body>
    </html>
  );
}
