import { type Turned } from './judge';

/** What of a request says who asks. */
export interface Knock {
  method: string;
  path: string;
  /** A page that is there draws itself anew with it, or goes on to another. */
  byPage: boolean;
  cookie: string | undefined;
  /** Where it comes from. */
  address: string;
  secure: boolean;
}

/** Let in on behalf of somebody, turned away, or sent to where they say who they are. */
export type Admitted = { within: <T>(work: () => T) => T } | Turned | { to: string };

/** Who knows who may come in. The app itself does, once it has opened the studio; until then nobody comes in. */
export interface Keeper {
  admit: (knock: Knock) => Admitted;
  /** Whether the studio has a passphrase. */
  isKeyed: () => boolean;
}

/** The app is built in several parts, each with modules of its own: they meet by this name. */
const key = Symbol.for('kokyu.keeper');
const held = globalThis as { [key]?: Keeper };

export const setKeeper = (keeper: Keeper) => void (held[key] = keeper);
export const theKeeper = (): Keeper | undefined => held[key];
