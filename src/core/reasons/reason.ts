import { type Provenance } from './provenance';

/** A raw record that a statement rests on: what kind of record, and its id, so that the interface can link to it. */
export interface RecordRef {
  kind: 'fact' | 'look' | 'reading' | 'plan' | 'run';
  id: string;
  label: string;
}

/** Why something was decided: what in words, by which rule, from which records, with which provenance. */
export interface Reason {
  /** The rule by its code, where something depends on which it is. */
  code?: string;
  what: string;
  rule: string;
  records: RecordRef[];
  provenance: Provenance;
}
