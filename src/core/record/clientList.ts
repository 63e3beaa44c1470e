import { nameTrouble } from '../safety';

/** What a column of a list of clients can be. */
export const listColumns = ['name', 'born', 'note'] as const;
export type ListColumn = (typeof listColumns)[number];

/** Which column is what, by its place; null where the list has none. */
export type ListMatch = Readonly<Record<ListColumn, number | null>>;

/** In which order a list writes day, month and year. */
export type DayOrder = 'dmy' | 'mdy' | 'ymd';

const headWords: Readonly<Record<ListColumn, RegExp>> = {
  name: /^(full )?name$|client|^who$/i,
  born: /born|birth|dob/i,
  note: /note|remark|comment/i,
};

/**
 * Which column of a list is probably what, by the words at its head.
 *
 * @example matchColumns(['Client', 'Date of birth']).born // 1
 */
export function matchColumns(head: readonly string[]): ListMatch {
  const at = (column: ListColumn) => {
    const found = head.findIndex((words) => headWords[column].test(words.trim()));
    return found < 0 ? null : found;
  };
  return { name: at('name'), born: at('born'), note: at('note') };
}

/** So long a note for next time may be. */
const mostNote = 300;
const oldestYear = 1900;

/**
 * A day as a list writes it, with dots, strokes or hyphens.
 *
 * @returns yyyy-mm-dd, or null where it is no day there was
 * @example dayWritten('7.3.1981', 'dmy') // '1981-03-07'
 */
export function dayWritten(text: string, order: DayOrder): string | null {
  const parts = /^(\d{1,4})[-/. ]+(\d{1,2})[-/. ]+(\d{1,4})$/.exec(text.trim());
  if (!parts) return null;
  const asked = parts[1]!.length === 4 ? 'ymd' : order;
  const of = (letter: string) => Number(parts[asked.indexOf(letter) + 1]);
  const [year, month, day] = [of('y'), of('m'), of('d')];
  const made = new Date(Date.UTC(year, month - 1, day));
  const real = made.getUTCFullYear() === year && made.getUTCMonth() === month - 1 && made.getUTCDate() === day;
  return real && year >= oldestYear ? made.toISOString().slice(0, 10) : null;
}

/** Somebody of a list, or what is wrong with their line. */
type ListRow = { line: number } & (
  | { ok: true; name: string; born: string | null; note: string }
  | { ok: false; why: string }
);

/**
 * What a line of a list says of somebody. A line with anything wrong in it is taken not at all.
 *
 * @param line its number in the file, the first being 1
 * @param today yyyy-mm-dd
 * @example rowOfList(['Ilse Brandt', '7.3.1981'], { name: 0, born: 1, note: null }, 'dmy', 2, '2026-11-27').ok // true
 */
export function rowOfList(
  cells: readonly string[],
  match: ListMatch,
  order: DayOrder,
  line: number,
  today: string,
): ListRow {
  const cell = (column: ListColumn) => (match[column] === null ? '' : (cells[match[column]] ?? '').trim());
  const name = cell('name').replace(/\s+/g, ' ');
  const trouble = name === '' ? 'There is no name.' : nameTrouble(name);
  if (trouble !== null) return { line, ok: false, why: trouble };
  const written = cell('born');
  const born = written === '' ? null : dayWritten(written, order);
  if (written !== '' && born === null)
    return { line, ok: false, why: `“${written.slice(0, 30)}” is no day in this order.` };
  if (born !== null && born > today) return { line, ok: false, why: `${born} is still to come.` };
  const note = cell('note');
  if (note.length > mostNote) return { line, ok: false, why: `The note is longer than ${mostNote} characters.` };
  return { line, ok: true, name, born, note };
}
