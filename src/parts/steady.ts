/**
 * What was just pressed, by a finger or a key, stays where it is while the page changes above it: a notice that an edit brings in moves
 * everything on, and the next of several quick presses would fall on something else. The page is scrolled by as much, before it is painted.
 *
 * It is put into the page as text, before anything else of it: it knows nothing outside itself.
 */
export function keepPlace(): void {
  const pressable =
    'button, a[href], summary, label, input, select, textarea, [role=button], [role=radio], [role=checkbox]';
  /** So long after a press the next one may be on its way. */
  const forMs = 2000;
  let held: { on: Element; top: number; scrolled: number; until: number } | null = null;
  let isWatched = false;

  const topOf = (on: Element) => on.getBoundingClientRect().top;
  const follow = () => {
    if (!held) return;
    const moved = topOf(held.on) - held.top;
    // Half a page away it was put elsewhere on purpose.
    if (!held.on.isConnected || performance.now() > held.until || Math.abs(moved) > innerHeight / 2)
      return void (held = null);
    if (Math.abs(moved) < 1) return;
    scrollBy({ top: moved, behavior: 'instant' });
    // Where the page goes no further, it has moved after all.
    held = { ...held, top: topOf(held.on), scrolled: scrollY };
  };
  const hold = ({ target }: Event) => {
    const on = target instanceof Element ? target.closest(pressable) : null;
    if (!on?.closest('main')) return void (held = null);
    held = { on, top: topOf(on), scrolled: scrollY, until: performance.now() + forMs };
    if (isWatched) return;
    isWatched = true;
    // Told once the page is laid out anew and before it is painted.
    new ResizeObserver(follow).observe(document.body);
  };
  document.addEventListener('pointerdown', hold, true);
  document.addEventListener('keydown', hold, true);
  // Scrolled by hand, or gone to the head of another page: that is meant.
  document.addEventListener(
    'scroll',
    ({ target }) => {
      if (held && (target !== document || Math.abs(scrollY - held.scrolled) > 1)) held = null;
    },
    true,
  );
}
