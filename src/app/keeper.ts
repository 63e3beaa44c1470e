import { type Keeper, type Knock } from '@/door/keeper';
import { wantsAt } from '@/core/access';
import { asker, askerOf, hasCoaches, onBehalfOf, wholeStore } from '@/store';
import { wordIn } from './cookie';
import { sessionOf } from './session';

/** Whether a request comes from this machine. */
const isHere = (address: string) => /^(::ffff:)?127\.|^::1$/.test(address);

/** Where somebody sets their own passphrase. */
const ownPassphrase = '/settings/access';

const asPage = ({ method, path }: Knock) => (method === 'GET' || method === 'HEAD') && !path.startsWith('/api/');

/**
 * Every request, before the app sees any of it: who asks, and whether they may come to this place at all. What they may see of it is
 * decided by what they read it through (`theStore`) and by the doors of commands.
 */
export const keeper: Keeper = {
  isKeyed: () => hasCoaches(wholeStore()),
  admit: (knock) => {
    const store = wholeStore();
    if (!hasCoaches(store)) {
      // A copy from before there was a passphrase, put back while others can reach it: it is open to this machine alone.
      return isHere(knock.address)
        ? { within: (work) => onBehalfOf(asker(), work) }
        : { status: 403, why: 'This studio has no passphrase: it is open to its own machine alone.' };
    }
    const wants = wantsAt(knock.path);
    const session = sessionOf(wordIn(knock.cookie, knock.secure));
    if (session?.standing === 'open' && session.mustChange && wants !== 'anybody' && knock.path !== ownPassphrase) {
      return asPage(knock)
        ? { to: ownPassphrase }
        : {
            status: 403,
            why: 'Set a passphrase of your own first: the one you came in with is known to whoever set it.',
          };
    }
    if (session?.standing === 'open') {
      if (wants === 'owner' && session.role !== 'owner') {
        return { status: 404, why: 'There is nothing here.' };
      }
      return { within: (work) => onBehalfOf(askerOf(store, session), work) };
    }
    if (wants === 'anybody') return { within: (work) => work() };
    // A page that stands behind its lock stays there, with what is half typed on it.
    const isBehindLock = session !== null && knock.byPage;
    if (asPage(knock) && !isBehindLock) {
      return { to: knock.path === '/' ? '/sign-in' : `/sign-in?to=${encodeURIComponent(knock.path)}` };
    }
    return session
      ? { status: 423, why: 'Kokyu is locked. Type your passphrase to go on.' }
      : { status: 401, why: 'Sign in first.' };
  },
};
