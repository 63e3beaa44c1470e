/** At an address that never was one; what is missing within the studio has a page with its ways. */
export default function NotFound() {
  return (
    <main id="main" className="mx-auto max-w-3xl px-4 py-10">
      <h1 className="text-2xl">There is nothing at this address.</h1>
      <p className="mt-1 mb-5 text-ink2">It may have lost a letter. Nothing was changed.</p>
      {/* A plain link: this page stands beside every other, and loads nothing for it. */}
      {/* oxlint-disable-next-line nextjs/no-html-link-for-pages */}
      <a
        href="/"
        className="inline-flex min-h-11 items-center rounded-one border border-ink px-4 font-semibold hover:bg-leaf"
      >
        Today
      </a>
    </main>
  );
}
