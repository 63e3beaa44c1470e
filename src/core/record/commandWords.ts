import { type CommandKind } from './commands';

/** What each kind of command records, as a coach would call it: for telling which entry was not saved. */
export const commandWords: Readonly<Record<CommandKind, string>> = {
  'client.create': 'A new client',
  'client.archive': 'Putting a client away',
  'client.restore': 'Bringing a client back',
  'client.delete': 'Deleting a client',
  'fact.add': 'An answer',
  'fact.retract': 'Taking an answer back',
  'visit.start': 'The beginning of a visit',
  'visit.end': 'The end of a visit',
  'visit.lookList': 'The list of looks',
  'look.save': 'A look',
  'look.retract': 'Taking a look back',
  'photo.add': 'A picture',
  'finding.judge': 'Your word on a finding',
  'reading.confirm': 'The intent',
  'plan.save': 'A change of the plan',
  'run.create': 'Opening a run',
  'run.append': 'Something in a run',
  'note.save': 'The note of a visit',
  'note.sign': 'Signing a note',
  'note.add': 'An addition to a note',
  'own.add': 'Your own breath',
  'own.retract': 'Taking your own entry out',
  'appointment.add': 'A booking',
  'appointment.change': 'Changing a booking',
  'appointment.cancel': 'Cancelling a booking',
  'appointment.restore': 'Bringing a booking back',
  'waiting.add': 'Somebody who waits for a time',
  'waiting.remove': 'Taking somebody off the waiting list',
  'waiting.restore': 'Bringing somebody back to the waiting list',
  'nextTime.add': 'A note for next time',
  'nextTime.done': 'Putting a note for next time away',
  'nextTime.undone': 'Bringing a note for next time back',
  'home.save': 'What goes home',
  'home.hand': 'Handing over what goes home',
  'home.returned': 'A code from home',
  'lift.log': 'A set under a load',
  'lift.takeBack': 'A set taken back',
  'home.told': 'What was done at home',
  'drill.save': 'A drill of your own',
  'drill.remove': 'Taking a drill out',
  'drill.restore': 'Bringing a drill back',
  'drills.import': 'Drills from a file',
  'template.save': 'A template',
  'template.remove': 'Taking a template off',
  'template.restore': 'Bringing a template back',
  'settings.change': 'A setting',
  'record.setAside': 'Putting a record aside',
  'record.bringBack': 'Bringing a record back',
};

/** Ids and revisions are for the file; nobody typed them. */
const notTyped = /(^id|Id|revision|basedOn|data|snapshot)$/;

/** A choice's own name in the record as words: quietLook is quiet look. What somebody wrote is left as it is. */
const spaced = (text: string) =>
  /^[a-z]+(?:[A-Z][a-z]+)+$/.test(text) ? text.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`) : text;

/**
 * What was typed or chosen in a command, part by part, without the ids it carries.
 *
 * @example typedWords({ clientId: '…', name: 'Ilse' }) // ['name: Ilse']
 */
export function typedWords(payload: unknown): string[] {
  const found: string[] = [];
  const walk = (value: unknown, path: readonly string[]) => {
    if (value === null || value === undefined || value === '') return;
    if (Array.isArray(value) && value.every((one) => typeof one !== 'object')) {
      if (value.length > 0)
        found.push(`${path.map(spaced).join(' ')}: ${value.map((one) => spaced(String(one))).join(', ')}`);
    } else if (typeof value === 'object') {
      for (const [key, part] of Object.entries(value)) {
        if (!notTyped.test(key)) walk(part, Array.isArray(value) ? [...path, String(Number(key) + 1)] : [...path, key]);
      }
    } else {
      found.push(`${path.map(spaced).join(' ')}: ${spaced(String(value))}`);
    }
  };
  walk(payload, []);
  return found;
}
