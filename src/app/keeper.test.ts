import { addCoach, asker, beginSession, changePassphrase, lockSession, sessionsOf, setUp, wholeStore } from '@/store';
import { studioHere } from '@/store/fixtures';
import { keeper } from './keeper';

jest.mock('node:crypto', () => jest.requireActual<object>('../../scripts/quickCrypto'));

let here: ReturnType<typeof studioHere>;
beforeAll(() => {
  here = studioHere('keeper');
});
afterAll(() => here.close());

const knock = (
  path: string,
  { cookie = undefined as string | undefined, address = '127.0.0.1', method = 'GET', byPage = false } = {},
) => keeper.admit({ method, path, byPage, cookie, address, secure: false });
const word = (given: string) => `theme=dark; kokyu=${given}`;

test('without a passphrase it is open to this machine, and to no other', () => {
  for (const address of ['127.0.0.1', '::1', '::ffff:127.0.0.1', '127.0.0.9']) {
    const admitted = knock('/clients', { address });
    expect('within' in admitted && admitted.within(() => asker().coachId)).toBeNull();
  }
  for (const address of ['192.168.0.9', '::ffff:192.168.0.9', 'fe80::1', '', '10.127.0.1']) {
    expect(knock('/clients', { address })).toMatchObject({ status: 403 });
    expect(knock('/api/alive', { address })).toMatchObject({ status: 403 });
  }
});

test('with one, who asks is whoever the browser’s word says; locked, over or made up it opens only what is open to anybody', async () => {
  const { coachId } = await setUp(
    wholeStore(),
    { name: 'Wren Addo', passphrase: 'heron lamp quiet barrow' },
    Date.now(),
  );
  const mine = beginSession(wholeStore(), coachId, 'a test', Date.now());
  const admitted = knock('/clients', { cookie: word(mine), address: '192.168.0.9' });
  expect('within' in admitted && admitted.within(() => asker().name)).toBe('Wren Addo');
  const closed = { to: '/sign-in?to=%2Fclients' };
  for (const cookie of [undefined, word('x'.repeat(43)), word(''), `${word(mine)}; kokyu=${mine}`, `kokyux=${mine}`]) {
    expect(knock('/clients', { cookie })).toEqual(closed);
    expect(knock('/api/clients', { cookie })).toMatchObject({ status: 401 });
    expect(knock('/api/commands', { cookie, method: 'POST' })).toMatchObject({ status: 401 });
    for (const open of ['/sign-in', '/api/alive', '/check-in/abc', '/_next/static/chunks/a.js']) {
      const let_in = knock(open, { cookie });
      // Let in as nobody: what would be read on their behalf is refused.
      expect('within' in let_in && let_in.within(() => 'in')).toBe('in');
      expect(() => 'within' in let_in && let_in.within(() => asker())).toThrow('Nobody is signed in.');
    }
  }
  lockSession(wholeStore(), sessionsOf(wholeStore(), coachId)[0]!.id, Date.now());
  expect(knock('/clients', { cookie: word(mine) })).toEqual(closed);
  expect(knock('/api/clients', { cookie: word(mine) })).toMatchObject({ status: 423 });
  // A page behind its lock stays where it is; one whose session is over has nothing to wait for.
  expect(knock('/clients', { cookie: word(mine), byPage: true })).toMatchObject({ status: 423 });
  expect(knock('/clients', { cookie: word('x'.repeat(43)), byPage: true })).toEqual(closed);
});

test('whoever came in with a passphrase another one set gets nowhere but to where they set their own', async () => {
  const store = wholeStore();
  const owner = {
    coachId: sessionsOf(store, null)[0]!.coachId,
    sessionId: null,
    name: 'Wren Addo',
    role: 'owner' as const,
    sees: () => true,
  };
  const passphrase = 'otter sails copper gate';
  const { coachId } = await addCoach(store, owner, { name: 'Kit Marsh', passphrase }, Date.now());
  const cookie = word(beginSession(store, coachId, 'a test', Date.now()));
  for (const page of ['/', '/clients', '/week', '/settings/sound', '/settings/records']) {
    expect(knock(page, { cookie })).toEqual({ to: '/settings/access' });
  }
  for (const path of ['/api/clients', '/api/commands', '/api/studio/export']) {
    expect(knock(path, { cookie, method: 'POST' })).toMatchObject({ status: 403 });
  }
  for (const path of ['/settings/access', '/api/access', '/_next/static/chunks/a.js']) {
    expect(knock(path, { cookie })).toHaveProperty('within');
  }
  const session = sessionsOf(store, coachId)[0]!;
  const by = { ...owner, coachId, sessionId: session.id };
  expect(
    await changePassphrase(store, by, { now: passphrase, passphrase: 'tide table in the drawer' }, Date.now()),
  ).toBe(true);
  expect(knock('/clients', { cookie })).toHaveProperty('within');
});
