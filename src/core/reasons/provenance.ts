import { type ReferenceId, references } from './references';

/** Where a number or a rule comes from. The interface shows it beside every figure. */
export type Provenance =
  | { kind: 'published'; reference: ReferenceId }
  | { kind: 'common practice' }
  | { kind: 'set by you' };

export const commonPractice: Provenance = { kind: 'common practice' };
export const setByYou: Provenance = { kind: 'set by you' };

/** A rule or figure taken from one of the sources in {@link references}. */
export const published = (reference: ReferenceId): Provenance => ({ kind: 'published', reference });

/**
 * One sentence that says where a value comes from, for a reader who taps its mark.
 *
 * @example provenanceSentence(commonPractice) // 'Common practice: a working rule of the trade, no published source.'
 */
export function provenanceSentence(provenance: Provenance): string {
  switch (provenance.kind) {
    case 'published': {
      const source = references[provenance.reference];
      return `Published: ${source.citation}${source.fromMemory ? ' Value from memory, not checked against the paper.' : ''}`;
    }
    case 'common practice':
      return 'Common practice: a working rule of the trade, no published source.';
    case 'set by you':
      return 'Set by you.';
  }
}
