/**
 * A press counts for what it was begun on. Between a finger's coming down and its going up lies a tenth of a second, in which a notice can
 * come in above and move everything on: a mouse then presses nothing at all, and a finger what has slid under it.
 *
 * It is put into the page as text, before anything else of it: it knows nothing outside itself.
 */
export function keepAim(): void {
  const pressable =
    'button, a[href], summary, label, input, [role=button], [role=radio], [role=checkbox], [role=option]';
  /** Further than this from where it came down it was taken elsewhere on purpose; px. */
  const still = 10;
  let aim: { on: Element; x: number; y: number; left: number; top: number } | null = null;

  document.addEventListener(
    'pointerdown',
    ({ target, clientX: x, clientY: y, isPrimary, button }) => {
      const on = isPrimary && button === 0 && target instanceof Element ? target.closest(pressable) : null;
      if (!on) return void (aim = null);
      const { left, top } = on.getBoundingClientRect();
      aim = { on, x, y, left, top };
    },
    true,
  );
  document.addEventListener(
    'click',
    (event) => {
      const { target, clientX: x, clientY: y, detail } = event;
      const meant = aim;
      aim = null;
      // A key presses without a place, and so does whatever the page presses itself.
      if (!event.isTrusted || detail === 0 || !meant?.on.isConnected) return;
      if (meant.on.contains(target as Node) || Math.hypot(x - meant.x, y - meant.y) > still) return;
      const { left, top } = meant.on.getBoundingClientRect();
      // Where it has stayed in its place something else lies over it now, by its own doing.
      if (Math.hypot(left - meant.left, top - meant.top) < 1) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      if (meant.on.matches(':disabled')) return;
      const { ctrlKey, metaKey, shiftKey, altKey } = event;
      const again = { bubbles: true, cancelable: true, composed: true, detail, ctrlKey, metaKey, shiftKey, altKey };
      meant.on.dispatchEvent(new MouseEvent('click', again));
    },
    true,
  );
}
