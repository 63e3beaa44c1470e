import { type FormField } from './fields';
import { type FormProtocol, protocolIds, protocols } from './protocols';

/** The protocols that are entered by a list of fields, in the usual order, and the fields of each. */
export const formProtocols = protocolIds.filter(
  (id): id is FormProtocol => Object.keys(protocols[id].fields).length > 0,
);
export const forms = Object.fromEntries(
  formProtocols.map((id) => [id, Object.entries(protocols[id].fields).map(([key, field]) => ({ key, ...field }))]),
) as unknown as Readonly<Record<FormProtocol, readonly FormField[]>>;

const isOpen = (value: unknown) => value === null || value === 'not observed';

/** What of a protocol is looked at in one go: a group of it, or what is gated alike. */
const partOf = ({ group, components = [] }: FormField) => group ?? components.join(' ');

/**
 * The parts of a form in which "nothing else to note" has anything to fill in, each with the record it would leave. A part of which
 * nothing was entered was perhaps never looked at: it is named, so that whoever presses says which part it is about. What is asked of
 * the client is never filled in.
 *
 * @param open says whether a field may be answered today
 * @returns a part whose fields are fewer than two to fill is left out: one is quicker by hand
 * @example nothingElse('pelvicRock', blankRaw('pelvicRock'), () => true) // []
 */
export function nothingElse(
  protocol: FormProtocol,
  raw: Readonly<Record<string, unknown>>,
  open: (field: FormField) => boolean,
): { part: string; group: string | null; raw: Record<string, unknown> }[] {
  const fields = forms[protocol];
  return [...new Set(fields.map(partOf))].flatMap((part) => {
    const filled = fields.filter(
      (field) =>
        partOf(field) === part &&
        field.usual !== undefined &&
        isOpen(raw[field.key]) &&
        (!field.when || raw[field.when.key] === field.when.is) &&
        open(field),
    );
    if (filled.length < 2) return [];
    const values = Object.fromEntries(filled.map(({ key, usual }) => [key, usual]));
    return [{ part, group: filled[0]!.group ?? null, raw: { ...raw, ...values } }];
  });
}
