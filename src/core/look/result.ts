import { commonPractice } from '../reasons';
import { type LookResult } from './define';
import { type LookRecord } from './records';
import { protocols } from './protocols';

/**
 * What a look gave, in a few words; null while nothing that counts was entered.
 *
 * @example lookResult(quietLook)?.words // '15.0 a minute, usual'
 */
export function lookResult({ protocol, raw }: LookRecord): LookResult | null {
  const told = (protocols[protocol].tells as (of: typeof raw) => string | LookResult | null)(raw);
  return typeof told === 'string' ? { words: told, provenance: commonPractice } : told;
}
