import { type Session, sessionBy, wholeStore } from '@/store';

/** The session of a browser's word as it stands now, or null where there is none, or none any more. */
export const sessionOf = (word: string | null): Session | null =>
  word === null ? null : sessionBy(wholeStore(), word, Date.now());
