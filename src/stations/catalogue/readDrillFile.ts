import { type Node, type ParseError, findNodeAtLocation, parseTree, printParseErrorCode } from 'jsonc-parser';
import { type Drill } from '@/core/catalogue';
import { type Fault, checkDrillFile } from '@/core/formats';

export interface LineFault {
  line: number;
  what: string;
}

const lineOf = (text: string, offset: number) => text.slice(0, offset).split('\n').length;

/** The deepest place of a path that is in the file: something missing is told where it should be. */
function placeOf(tree: Node, path: Fault['path']): Node {
  for (let depth = path.length; depth > 0; depth -= 1) {
    const node = findNodeAtLocation(tree, path.slice(0, depth) as (string | number)[]);
    if (node) return node;
  }
  return tree;
}

const placeInWords = (path: Fault['path'], drills: readonly unknown[]): string => {
  const [head, index, ...rest] = path;
  if (head !== 'drills' || typeof index !== 'number') return path.join('.');
  const name = (drills[index] as { name?: unknown } | undefined)?.name;
  return [typeof name === 'string' ? `“${name}”` : `drill ${index + 1}`, rest.join('.')].filter(Boolean).join(', ');
};

/**
 * Reads a file of drills: every drill of it, or everything that is wrong with the line it stands in.
 *
 * @param own the coach's drills so far, which the file's may name
 */
export function readDrillFile(
  text: string,
  own: readonly Drill[],
): { drills: Drill[]; faults: null } | { drills: null; faults: LineFault[] } {
  const errors: ParseError[] = [];
  const tree = parseTree(text, errors, { allowTrailingComma: false, disallowComments: true });
  if (errors.length > 0 || !tree) {
    const faults = errors.map(({ error, offset }) => ({
      line: lineOf(text, offset),
      what: `Not JSON: ${printParseErrorCode(error)
        .replace(/([a-z])([A-Z])/g, '$1 $2')
        .toLowerCase()}.`,
    }));
    return { drills: null, faults: faults.length > 0 ? faults : [{ line: 1, what: 'The file is empty.' }] };
  }
  const value: unknown = JSON.parse(text);
  const checked = checkDrillFile(value, own);
  if (!checked.faults) return checked;
  const list = (value as { drills?: unknown }).drills;
  const faults = checked.faults.map(({ path, what }) => {
    const place = placeInWords(path, Array.isArray(list) ? list : []);
    return { line: lineOf(text, placeOf(tree, path).offset), what: place ? `${place}: ${what}` : what };
  });
  return { drills: null, faults: faults.sort((a, b) => a.line - b.line) };
}
