'use client';

import { Button } from '@/parts/Button';

/** @param retry asks the server for the page again; drawing the same answer once more would fail once more */
export default function Failed({ retry }: { retry: () => void }) {
  return (
    <main id="main" className="mx-auto max-w-3xl px-4 py-10">
      <h1 className="text-2xl">This page could not be shown.</h1>
      <p className="mt-1 mb-5 text-ink2">
        What you recorded is kept. Try again; if it happens again, restart Kokyu and come back to this address.
      </p>
      <Button look="strong" onClick={retry}>
        Try again
      </Button>
    </main>
  );
}
