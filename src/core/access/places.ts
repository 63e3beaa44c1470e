/** Who may come to a place: anybody who reaches the app, whoever is signed in, or the owner of the studio alone. */
type Wants = 'anybody' | 'signed in' | 'owner';

interface Place {
  /** A path; with a slash at its end, everything below it. */
  at: string;
  wants: Wants;
}

/**
 * What is asked of whoever comes to a place, the first that fits; everywhere else they have to be signed in. A place that is forgotten
 * here is closed to strangers.
 */
const places: readonly Place[] = [
  // The app's own files and letters: the same for everybody, and in them nothing of anybody.
  { at: '/_next/static/', wants: 'anybody' },
  { at: '/icon.svg', wants: 'anybody' },
  { at: '/api/alive', wants: 'anybody' },
  { at: '/sign-in', wants: 'anybody' },
  // It asks for itself: signing in is done there.
  { at: '/api/access', wants: 'anybody' },
  // By a word of their own in the address, for one person's practice at home and for nothing else.
  { at: '/check-in/', wants: 'anybody' },
  { at: '/api/check-in', wants: 'anybody' },
  // Devices in the room, by a word of their own, for one run; and its live screen, which goes on while its coach's session is locked.
  { at: '/paired/', wants: 'anybody' },
  { at: '/api/paired/', wants: 'anybody' },
  // Whole studios.
  { at: '/settings/records', wants: 'owner' },
  { at: '/api/copies', wants: 'owner' },
  { at: '/api/studio/', wants: 'owner' },
];

const fits = (at: string, path: string) => (at.endsWith('/') ? path.startsWith(at) : path === at);

/**
 * Who may come to a path of the app.
 *
 * @param path as it was asked for, without its query
 * @example wantsAt('/clients') // 'signed in'
 * @source common practice, no published source: what is not named open is closed
 */
export const wantsAt = (path: string): Wants => places.find(({ at }) => fits(at, path))?.wants ?? 'signed in';

/** What somebody is for the studio. */
export type Role = 'owner' | 'coach';

/** How a coach has a client: as theirs, or shared by whoever has them. */
export type Care = 'own' | 'shared';
