import { type Metadata, type Viewport } from 'next';
import { type ReactNode } from 'react';
import { headers } from 'next/headers';
import './globals.css';
import { DatesIn } from '@/parts/DatesIn';
import { keepAim } from '@/parts/aim';
import { holdEarlyPresses } from '@/parts/earlyPresses';
import { showWhole } from '@/parts/shownWhole';
import { keepPlace } from '@/parts/steady';
import { takeAnswersWhole } from '@/parts/wholeAnswers';
import { loadLook } from './load';

export const metadata: Metadata = {
  title: { default: 'Kokyu', template: '%s · Kokyu' },
  description: 'A coaching aid for breathing: screen, look, read, sequence, coach, track.',
};

export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

// Every page shows what the studio's file holds now.
export const dynamic = 'force-dynamic';

/** Around every page, the client's own window among them: nothing that page doesn't need. */
export default async function RootLayout({ children }: { children: ReactNode }) {
  const { theme, manner } = await loadLook();
  // The word by which the page's policy lets its own scripts run; the door has put it there.
  const [, nonce] = /'nonce-([^']+)'/.exec((await headers()).get('content-security-policy') ?? '') ?? [];
  return (
    <html lang="en-GB" data-theme={theme} suppressHydrationWarning>
      <head>
        <script
          nonce={nonce}
          suppressHydrationWarning
          dangerouslySetInnerHTML={{
            __html: [showWhole, keepAim, keepPlace, holdEarlyPresses, takeAnswersWhole]
              .map((act) => `(${String(act)})()`)
              .join(';'),
          }}
        />
      </head>
      <body>
        <DatesIn manner={manner}>{children}</DatesIn>
      </body>
    </html>
  );
}
