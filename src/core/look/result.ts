import { commonPractice } from '../reasons';
import { type LookResult } from './define';
import { type Found } from './finding';
import { type LookRecord } from './records';
import { protocolIds, protocols } from './protocols';

/** Every finding in words, whichever protocol settles it: one may speak of another’s. */
const findingWords = Object.assign({}, ...protocolIds.map((id) => protocols[id].findings)) as Readonly<
  Record<string, string>
>;

/**
 * What a look gave, in a few words; null while nothing that counts was entered. Where a protocol has no words of its own for what was
 * entered, the most marked of what was found speaks.
 *
 * @example lookResult(quietLook)?.words // '15.0 a minute, usual'
 */
export function lookResult({ protocol, raw }: LookRecord): LookResult | null {
  const { tells, reads } = protocols[protocol] as unknown as {
    tells: (of: typeof raw) => string | LookResult | null;
    reads?: (of: typeof raw) => Readonly<Record<string, Found>>;
  };
  const told = tells(raw);
  if (told !== null) return typeof told === 'string' ? { words: told, provenance: commonPractice } : told;
  const found = Object.entries(reads?.(raw) ?? {}).sort(([, a], [, b]) => b.severity - a.severity);
  const [most] = found;
  if (!most) return null;
  const [id, { severity, words }] = most;
  return { words: severity === 0 ? 'nothing to note' : (words ?? findingWords[id]!), provenance: commonPractice };
}
