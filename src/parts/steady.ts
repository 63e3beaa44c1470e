/**
 * What was just pressed stays where it is while the page changes above it: a notice that an edit brings in moves
 * everything on, and the next of several quick presses would fall on something else. The page is scrolled by as much, before that one comes.
 *
 * It is put into the page as text, before anything else of it: it knows nothing outside itself.
 */
export function keepPlace(): void {
  const pressable =
    'button, a[href], summary, label, input, select, textarea, [role=button], [role=radio], [role=checkbox], [role=slider]';
  /** So long after a press the next one may be on its way. */
  const forMs = 2000;
  /** Further than this from where it came down it is dragging something; px. */
  const still = 10;
  let held: { on: Element; top: number; scrolled: number; until: number; x: number; y: number } | null = null;

  const letGo = () => {
    held = null;
    changes.disconnect();
    sizes.disconnect();
  };
  const topOf = (on: Element) => on.getBoundingClientRect().top;
  /** How far everything that it lies in is scrolled, the page with it. */
  const scrolledOf = (on: Element) => {
    let sum = 0;
    for (let around = on.parentElement; around; around = around.parentElement) sum += around.scrollTop;
    return sum;
  };
  const follow = () => {
    if (!held) return;
    const moved = topOf(held.on) - held.top;
    const scrolled = scrolledOf(held.on);
    const byOthers = Math.abs(scrolled - held.scrolled) >= 1;
    // The browser held it where it was, or something was scrolled to on purpose.
    if (byOthers && Math.abs(moved) < 1) held.scrolled = scrolled;
    else if (byOthers) return letGo();
    // Half a page away it was put elsewhere on purpose.
    if (!held.on.isConnected || performance.now() > held.until || Math.abs(moved) > innerHeight / 2) return letGo();
    if (Math.abs(moved) < 1) return;
    scrollBy({ top: moved, behavior: 'instant' });
    // Where the page goes no further, it has moved after all.
    held = { ...held, top: topOf(held.on), scrolled: scrolledOf(held.on) };
  };
  const hold = ({ target, clientX: x, clientY: y }: PointerEvent) => {
    const on = target instanceof Element ? target.closest(pressable) : null;
    if (!on?.closest('main')) return letGo();
    held = { on, top: topOf(on), scrolled: scrolledOf(on), until: performance.now() + forMs, x, y };
    changes.observe(document.body, { childList: true, subtree: true, characterData: true });
    sizes.observe(document.body);
  };
  // Right as the page is changed, and not when it is painted: the next press may come before that.
  const changes = new MutationObserver(follow);
  // What changes its size by itself: letters, a picture, a drawing that glides.
  const sizes = new ResizeObserver(follow);
  document.addEventListener('pointerdown', hold, true);
  document.addEventListener(
    'pointermove',
    ({ buttons, clientX, clientY }) => {
      if (held && buttons > 0 && Math.hypot(clientX - held.x, clientY - held.y) > still) letGo();
    },
    true,
  );
  // Scrolled by hand, or gone to the head of another page: that is meant.
  document.addEventListener(
    'scroll',
    () => {
      if (held && Math.abs(scrolledOf(held.on) - held.scrolled) >= 1) letGo();
    },
    true,
  );
}
