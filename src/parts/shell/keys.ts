/** One key: how it is written, what it does, and the presses that mean it, as {@link chordOf} has them. */
interface Key {
  written: string;
  does: string;
  presses: readonly string[];
}

const key = (written: string, does: string, ...presses: string[]): Key => ({ written, does, presses });

/** Every key of the app, once: whoever answers to keys does it by these names, and the lists of keys are printed from here. */
export const keyGroups = {
  anywhere: {
    heading: 'Anywhere',
    keys: {
      find: key('Ctrl + K', 'find a client, or go somewhere', 'ctrl+k'),
      help: key('?', 'these keys', '?'),
    },
  },
  client: {
    heading: 'With a client',
    keys: {
      station: key('1 – 7', 'go to a station', '1', '2', '3', '4', '5', '6', '7'),
      onward: key('N', 'what comes next: the next look, the intent, the plan, the run', 'n'),
    },
  },
  look: {
    heading: 'While looking',
    keys: {
      press: key('Space', 'tap a breath; start and stop a time', ' '),
      undo: key('U', 'undo the last tap', 'u'),
    },
  },
  ring: {
    heading: 'A part of the ring',
    keys: {
      grade: key('0 – 3', 'grade it', '0', '1', '2', '3'),
      more: key('↑', 'a grade more', 'arrowup'),
      less: key('↓', 'a grade less', 'arrowdown'),
      unseen: key('x', 'not seen', 'x', 'backspace', 'delete'),
    },
  },
  score: {
    heading: 'The score',
    keys: {
      undo: key('U or Ctrl + Z', 'undo', 'u', 'ctrl+z'),
      redo: key('Ctrl + Y', 'do it again', 'ctrl+y', 'ctrl+shift+z'),
    },
  },
  bar: {
    heading: 'A bar of the score',
    keys: {
      lock: key('L', 'keep it, whatever is planned', 'l'),
      swap: key('S', 'what else could stand here', 's'),
      takeOut: key('Del', 'take it out', 'delete'),
      more: key('+', 'a breath more', '+'),
      fewer: key('−', 'a breath fewer', '-'),
      earlier: key('Alt + ←', 'earlier', 'alt+arrowleft'),
      later: key('Alt + →', 'later', 'alt+arrowright'),
    },
  },
  week: {
    heading: 'A booking of the week',
    keys: {
      earlier: key('←', 'a quarter of an hour earlier', 'arrowleft'),
      later: key('→', 'a quarter of an hour later', 'arrowright'),
      dayBefore: key('↑', 'a day earlier', 'arrowup'),
      dayAfter: key('↓', 'a day later', 'arrowdown'),
    },
  },
  lifted: {
    heading: 'A booking that is being moved',
    keys: {
      put: key('Enter', 'put it here', 'enter'),
      leave: key('Esc', 'leave it where it was', 'escape'),
    },
  },
  run: {
    heading: 'In a run',
    keys: {
      space: key('Space', 'begin, wait and go on; a tap where the pacer follows or waits for one', ' '),
      tap: key('B', 'tap: the client breathes in', 'b'),
      fault: key('F', 'mark a fault', 'f'),
      name: key('1 – 4', 'name the mark just made', '1', '2', '3', '4'),
      cue: key('C', 'the cue landed; after a correction, back to the cue', 'c'),
      talk: key('T', 'hold for a talk, and go on', 't'),
      easier: key('E', 'an easier drill in its place', 'e'),
      harder: key('H', 'a harder one, once its signs are met', 'h'),
      another: key('W', 'another way', 'w'),
      helped: key('R', 'recheck the marker: did this help?', 'r'),
      next: key('N or →', 'ready, next', 'n', 'arrowright'),
      back: key('←', 'this drill from its beginning', 'arrowleft'),
      undo: key('U', 'take the last mark back', 'u'),
      stop: key('Esc', 'stop', 'escape'),
      keys: key('?', 'these keys', '?'),
    },
  },
} as const satisfies Record<string, { heading: string; keys: Record<string, Key> }>;

export type KeyGroup = keyof typeof keyGroups;

/** What is looked at of a key press. */
export type Press = Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'altKey' | 'shiftKey'>;

/**
 * A press in small letters, with what is held beside it. Shift by itself only changes the sign and isn't said.
 *
 * @example chordOf(new KeyboardEvent('keydown', { key: 'Z', ctrlKey: true, shiftKey: true })) // 'ctrl+shift+z'
 */
function chordOf({ key: pressed, ctrlKey, metaKey, altKey, shiftKey }: Press): string {
  const held = ctrlKey || metaKey;
  return `${held ? 'ctrl+' : ''}${altKey ? 'alt+' : ''}${held && shiftKey ? 'shift+' : ''}${pressed.toLowerCase()}`;
}

/**
 * What a press does by a group's names, or undefined where it means nothing there. Every key of the group is answered to; one
 * that can't be just now is given as undefined.
 *
 * @param on by name: what to do, given the press where several mean the same key
 * @example actFor('score', { undo, redo })(event)?.()
 */
export function actFor<G extends KeyGroup>(
  group: G,
  on: Readonly<Record<keyof (typeof keyGroups)[G]['keys'], ((press: string) => void) | undefined>>,
): (event: Press) => (() => void) | undefined {
  const keys: Record<string, Key> = keyGroups[group].keys;
  return (event) => {
    const press = chordOf(event);
    const name = Object.keys(keys).find((id) => keys[id]!.presses.includes(press)) as keyof typeof on | undefined;
    const act = name && on[name];
    return act && (() => act(press));
  };
}

/** Whether a key press belongs to something being typed and is not a command. */
export function isTyping(target: EventTarget | null): boolean {
  if (!(target instanceof HTMLElement)) return false;
  return target.isContentEditable || target.matches('input, textarea, select, [role="slider"], [role="combobox"]');
}

/** Whether a control is focused that would itself answer to Space or Enter. */
export function isControl(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement && target.closest('button, a, summary, [role="radio"], [role="button"]') !== null
  );
}
