import { type ReactNode } from 'react';

/** A whole page with one sentence, for a device that has nothing else to show. */
export const Told = ({ children, alert = false }: { children: ReactNode; alert?: boolean }) => (
  <main id="main" className="grid h-dvh place-items-center p-6 text-center">
    <h1 className="max-w-2xl text-4xl font-normal" role={alert ? 'alert' : undefined}>
      {children}
    </h1>
  </main>
);
