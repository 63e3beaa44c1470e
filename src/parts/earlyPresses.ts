/**
 * Holds what is pressed while a page is drawn and does not listen yet, and presses it again once it does: on a slow machine a second can
 * lie between, and what a person has answered must not be lost in it. A button that has gone meanwhile is not pressed, nor one after
 * fifteen seconds.
 *
 * It is put into the page as text, before anything else of it: it knows nothing outside itself.
 */
export function holdEarlyPresses(): void {
  // React leaves this on every element it has taken over; there is no other sign, of one element among many, that it answers.
  const listens = (element: Element) => Object.keys(element).some((key) => key.startsWith('__reactProps$'));
  const held: { on: HTMLElement; at: number }[] = [];
  let again = false;

  // One at a time: what a press changes has to stand before the next one.
  const press = () => {
    const [first] = held;
    if (!first) return;
    const gone = !first.on.isConnected || performance.now() - first.at > 15_000;
    if (gone || listens(first.on)) held.shift();
    if (!gone && held[0] !== first) {
      again = true;
      first.on.click();
      again = false;
    }
    if (held.length > 0) setTimeout(press, 30);
  };

  document.addEventListener(
    'click',
    (event) => {
      const on = (event.target as Element | null)?.closest<HTMLElement>(
        'button, input[type=checkbox], input[type=radio]',
      );
      if (again || !on || listens(on)) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      const at = performance.now();
      // The second tap of a double one is none.
      if (held.some((one) => one.on === on && at - one.at < 600)) return;
      held.push({ on, at });
      if (held.length === 1) setTimeout(press, 30);
    },
    true,
  );
}
