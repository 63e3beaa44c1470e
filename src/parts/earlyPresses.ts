/**
 * Holds what is pressed, chosen or typed while a page is drawn and does not listen yet, and does it again once it does: on a slow machine
 * a second can lie between, and what a person has answered must not be lost in it. What has gone meanwhile is left alone, and what was
 * done longer than fifteen seconds ago.
 *
 * It is put into the page as text, before anything else of it: it knows nothing outside itself.
 */
export function holdEarlyPresses(): void {
  type Entry = HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement;
  type Fiber = { tag: number; flags: number; return: Fiber | null; alternate: Fiber | null; stateNode: unknown };
  const fiberOf = (element: Element) => {
    const key = Object.keys(element).find((name) => name.startsWith('__reactFiber$'));
    return key ? (element as unknown as Record<string, Fiber>)[key]! : null;
  };
  // React leaves this on every element it has begun to take over. While it still waits for a part of the page that comes late, it
  // lets go of it again, and what is done to it is lost: it answers once nothing above it is still to be put in its place.
  const listens = (element: Element) => {
    let fiber = fiberOf(element);
    for (let above = fiber; above && !above.alternate; above = above.return) if (above.flags & 4098) return false;
    while (fiber?.return) fiber = fiber.return;
    const root =
      fiber?.tag === 3 ? (fiber.stateNode as { current: { memoizedState: { isDehydrated: boolean } } }) : null;
    return root !== null && !root.current.memoizedState.isDehydrated;
  };
  // Taking a field over, React writes into it what stands there already, and a browser puts the caret of a text area in front of it: what
  // was about to be typed at its end, or over a word, came to stand there.
  for (const { prototype } of [HTMLTextAreaElement, HTMLInputElement]) {
    const known = Object.getOwnPropertyDescriptor(prototype, 'defaultValue')!;
    Object.defineProperty(prototype, 'defaultValue', {
      ...known,
      set(value: string) {
        if (known.get!.call(this) !== value) known.set!.call(this, value);
      },
    });
  }
  /** With a value it was chosen or typed, with a key that was pressed beside every field; without either it was pressed. With both, it was typed for the box that a key before it called for. */
  const held: { on: HTMLElement; at: number; value: string | null; key: KeyboardEvent | null }[] = [];
  let again = false;

  const enter = (on: Entry, value: string): void => {
    const known = Object.getOwnPropertyDescriptor(Object.getPrototypeOf(on), 'value')!;
    // A file stays chosen. For the rest React compares with what it has seen last: that goes back to how the server drew it, and then
    // comes what was entered.
    const chosen = on.type === 'file';
    if (!chosen && 'defaultValue' in on) on.value = on.defaultValue;
    if (!chosen) known.set!.call(on, value);
    on.dispatchEvent(new Event(chosen || on.matches('select') ? 'change' : 'input', { bubbles: true }));
    // Left before the page listened: many fields keep what was typed when they are left.
    const left = () => on !== document.activeElement && on.dispatchEvent(new FocusEvent('focusout', { bubbles: true }));
    setTimeout(left);
  };
  // One at a time: what a press changes has to stand before the next one.
  const next = () => {
    const [first] = held;
    if (!first) return;
    const gone = !first.on.isConnected || performance.now() - first.at > 15_000;
    if (gone || listens(first.on)) held.shift();
    if (!gone && held[0] !== first) {
      again = true;
      const focused = document.activeElement ?? first.on;
      const box = first.key && first.value !== null && focused.matches(entry) ? (focused as Entry) : null;
      // Before its field has come, the box takes letters from anywhere; a field takes none from a script's key.
      if (box) enter(box, first.value === 'Backspace' ? box.value.slice(0, -1) : box.value + first.value);
      else if (first.key) focused.dispatchEvent(new KeyboardEvent('keydown', first.key));
      else if (first.value === null) first.on.click();
      else enter(first.on as Entry, first.value);
      again = false;
    }
    if (held.length > 0) setTimeout(next, 30);
  };
  const hold = (on: HTMLElement, value: string | null, key: KeyboardEvent | null = null) => {
    held.push({ on, at: performance.now(), value, key });
    if (held.length === 1) setTimeout(next, 30);
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
      // The second tap of a double one is none.
      if (!held.some((one) => one.on === on && !one.key && performance.now() - one.at < 600)) hold(on, null);
    },
    true,
  );
  const entry = 'select, textarea, input:not([type=checkbox]):not([type=radio])';
  const entered = (event: Event) => {
    const on = event.target as Entry;
    if (again || !on.matches(entry)) return;
    const before = held.findIndex((one) => one.on === on && one.value !== null);
    if (listens(on)) {
      // Typed or chosen anew: that is taken by itself. A change alone says that the field was left.
      if (before >= 0 && event.type === 'input') held.splice(before, 1);
      return;
    }
    // At the sight of it React would take this part over at once, and put back what the server drew before the change is told.
    event.stopImmediatePropagation();
    if (before >= 0) held[before]!.value = on.value;
    else hold(on, on.value);
  };
  // A key of the app's own. What presses, moves or scrolls does so anyway, and a tap that counts by its moment is none a moment later.
  document.addEventListener(
    'keydown',
    (event) => {
      const { key, target, ctrlKey, metaKey, altKey, repeat } = event;
      const finds = (ctrlKey || metaKey) && key.toLowerCase() === 'k';
      const isTyped = !ctrlKey && !metaKey && (key.length === 1 || key === 'Backspace');
      // Words that are meant for the box that was just called for are nobody's shortcuts.
      const forBox =
        isTyped && held.some((one) => one.key && (one.value !== null || one.key.ctrlKey || one.key.metaKey));
      const isOwn = finds || forBox || (key.length === 1 && key !== ' ' && !ctrlKey && !metaKey);
      const inField = target instanceof Element && target.matches(`${entry}, [contenteditable]`);
      // What answers to keys stands beside what the page is about, or in it.
      const main = document.getElementById('main') ?? document.body;
      if (again || repeat || altKey || !isOwn || (!forBox && (inField || listens(main)))) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      hold(main, forBox ? key : null, event);
    },
    true,
  );
  document.addEventListener('input', entered, true);
  document.addEventListener('change', entered, true);
}
