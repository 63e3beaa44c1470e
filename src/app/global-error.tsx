'use client';

import './globals.css';

/** Where not even the frame of the pages could be drawn: in the place of all of them, so it brings paper and ink of its own. */
export default function NothingCouldBeShown() {
  // As the page was that it takes the place of.
  const theme = typeof document === 'undefined' ? undefined : document.documentElement.dataset.theme;
  return (
    <html lang="en-GB" data-theme={theme}>
      <head>
        <title>This page could not be shown · Kokyu</title>
      </head>
      <body>
        <main id="main" className="mx-auto max-w-3xl px-4 py-10">
          <h1 className="text-2xl">This page could not be shown.</h1>
          <p className="mt-1 mb-5 text-ink2">
            What you recorded is kept. Load the page again; if it happens again, restart Kokyu and come back to this
            address.
          </p>
          {/* A plain button: every page brings this one with it, and loads nothing for it. */}
          <button
            type="button"
            onClick={() => window.location.reload()}
            className="min-h-11 rounded-one border border-ink bg-ink px-4 font-semibold text-onink"
          >
            Load it again
          </button>
        </main>
      </body>
    </html>
  );
}
