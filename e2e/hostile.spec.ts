import { expect, test } from '@playwright/test';
import { v7 as uuid } from 'uuid';
import { allMet, met } from './support/met';
import { ownStudio } from './support/server';
import { planItem, seedCoached } from './support/walk';

const server = ownStudio();
test.beforeAll(() => server.start());
allMet('e2e/hostile.spec.ts');

/** What would run if it were taken for more than words, in a page, an attribute, an address, a script, a drawing, a template. */
const script = `"><img src=x onerror="hacked=1"><script>hacked=1</script><svg onload=hacked=1>'-hacked--{{7*7}}javascript:hacked=1`;

test('a script written into every text field is words wherever it is read', async ({ page, context }) => {
  const words = (text: string, most: number) => text.slice(0, most);
  const name = words(`Ilse ${script}`, 80);
  const item = planItem('quiet-nose', { position: 'sitting', breaths: 3 });
  const { clientId, visitId } = await seedCoached(page, server.url, name, [item]);
  const fact = (key: string, value: unknown) => ({
    kind: 'fact.add',
    payload: { factId: uuid(), clientId, key, value, basedOn: null },
  });
  const tomorrow = new Date(Date.now() + 86_400_000).toISOString();
  const commands = [
    { kind: 'settings.change', payload: { studioName: words(script, 80) } },
    fact('goal', script),
    fact('complaint', script),
    fact('clinician', script),
    fact('medicines', script),
    fact('answer:asthma', { value: 'yes', note: script }),
    { kind: 'note.save', payload: { visitId, text: script, home: [], revision: 0 } },
    {
      kind: 'home.save',
      payload: {
        visitId,
        revision: 0,
        plan: {
          from: tomorrow.slice(0, 10),
          days: 14,
          wakes: '07:00',
          sleeps: '22:30',
          sits: null,
          items: [
            { id: 'one', item, cue: words(script, 120), feels: words(script, 160), notMeant: words(script, 160) },
          ],
          moreReason: words(script, 200),
          goes: [{ id: uuid(), itemId: 'one', at: '08:00', with: words(script, 40) }],
          calledOff: [],
        },
      },
    },
    { kind: 'nextTime.add', payload: { noteId: uuid(), clientId, text: words(script, 300) } },
    {
      kind: 'waiting.add',
      payload: { waitingId: uuid(), clientId, minutes: 30, wish: 'any', note: words(script, 300) },
    },
    {
      kind: 'appointment.add',
      payload: {
        appointmentId: uuid(),
        clientId,
        startsAt: tomorrow,
        minutes: 30,
        note: words(script, 300),
        seriesId: null,
      },
    },
    { kind: 'own.add', payload: { entryId: uuid(), entry: { kind: 'voice', load: 2, note: script } } },
  ].map((command) => ({ id: uuid(), ...command }));
  const answer = await page.request.post(`${server.url}/api/commands`, { data: { commands } });
  const { outcomes } = (await answer.json()) as { outcomes: { state: string; why?: string }[] };
  // Taken in as words; a field with words of its own may refuse them.
  expect(outcomes.filter(({ state }) => state !== 'refused').length).toBeGreaterThanOrEqual(9);
  const ran: string[] = [];
  page.on('dialog', (dialog) => (ran.push(dialog.message()), void dialog.dismiss()));
  const [blocked, wrong]: [string[], string[]] = [[], []];
  page.on('pageerror', ({ message }) => wrong.push(message));
  page.on('console', (message) => {
    if (/Content Security Policy/.test(message.text())) blocked.push(message.text());
  });
  const day = tomorrow.slice(0, 10);
  for (const path of [
    '/',
    `/?day=${day}`,
    '/week',
    '/clients',
    `/clients?find=${encodeURIComponent(script.slice(0, 100))}`,
    '/group',
    '/own-breath',
    '/settings',
    '/settings/records',
    ...[
      'screen',
      'look',
      'read',
      'sequence',
      'coach',
      'carry',
      'track',
      'track/visits',
      'track/course',
      'track/record',
      `visit/${visitId}`,
    ].map((station) => `/clients/${clientId}/${station}`),
  ]) {
    await page.goto(server.url + path);
    await page.waitForLoadState('load');
    expect([path, await page.evaluate('typeof hacked')]).toEqual([path, 'undefined']);
    expect([path, await page.locator('img[src="x"], svg[onload]').count()]).toEqual([path, 0]);
  }
  // Not even tried: it never was more than words.
  expect([ran, blocked, wrong]).toEqual([[], [], []]);
  await expect(page).toHaveTitle(/Ilse "><img/);

  // What goes out: the record to be read, tables, the file for the phone.
  const phone = await page.request.get(`${server.url}/api/visits/${visitId}/phone`);
  expect(phone.status()).toBe(200);
  const file = await context.newPage();
  await file.setContent(await phone.text());
  await expect(file.getByText(words(script, 40)).first()).toBeVisible();
  expect(await file.evaluate('typeof hacked')).toBe('undefined');
  const { text } = (await (await page.request.get(`${server.url}/api/clients/${clientId}/record/text`)).json()) as {
    text: string;
  };
  expect(text).toContain('<script>hacked=1</script>');
  const types = await Promise.all(
    [`/api/clients/${clientId}/facts`, `/api/clients/${clientId}/record`, '/api/calendar'].map(async (path) => {
      const { headers } = await page.request.get(server.url + path).then((got) => ({ headers: got.headers() }));
      return [headers['content-type']?.split(';')[0], headers['x-content-type-options']];
    }),
  );
  // Never as a page.
  expect(types.every(([type, sniff]) => type !== 'text/html' && sniff === 'nosniff')).toBe(true);
});

/** What somebody might send on purpose, and what is said to it. */
const requests: readonly (readonly [
  what: string,
  method: 'GET' | 'POST',
  path: string,
  body: unknown,
  wanted: readonly number[],
])[] = [
  ['a path that leads out', 'GET', '/api/photos/..%2f..%2fstudio.db', null, [400]],
  ['a path that leads out of a file on its way', 'GET', '/api/studio/export/..%2f..%2fstudio', null, [400]],
  ['a record of a table that is none', 'GET', '/api/records/coaches/x', null, [400, 404]],
  ['a hash of a passphrase', 'GET', '/api/records/sessions/x', null, [400, 404]],
  ['a copy that is a path', 'POST', '/api/studio/restore', { name: '../../etc', go: true }, [404]],
  ['a copy by an absolute path', 'POST', '/api/studio/restore', { name: '/etc/passwd', go: true }, [404]],
  ['taking in a file nobody looked at', 'POST', '/api/studio/import/apply', { id: uuid(), fromFile: 'all' }, [404]],
  ['a list that is none', 'POST', '/api/studio/list', { people: 'all' }, [400]],
  [
    'somebody without a name in a list',
    'POST',
    '/api/studio/list',
    { people: [{ name: '', born: null, note: '' }] },
    [400],
  ],
  ['an ask nobody knows', 'POST', '/api/access', { ask: 'become owner' }, [400]],
  [
    'an owner’s ask by nobody',
    'POST',
    '/api/access',
    { ask: 'addCoach', name: 'X', passphrase: 'a barrow of quiet herons' },
    [401],
  ],
  ['a session of nobody', 'POST', '/api/access', { ask: 'endSession', sessionId: uuid() }, [401]],
  ['a link for a visit that is not there', 'POST', '/api/access', { ask: 'checkIn', visitId: uuid() }, [409]],
  [
    'a word of a link that was guessed',
    'POST',
    '/api/check-in',
    { word: 'x'.repeat(43), said: { day: 0, done: ['all'], felt: [], signs: [] } },
    [404, 429],
  ],
  ['a body nested a hundred thousand deep', 'POST', '/api/access', '['.repeat(4_000) + ']'.repeat(4_000), [400]],
  ['a body that poisons prototypes', 'POST', '/api/access', '{"__proto__":{"role":"owner"},"ask":"seen"}', [401]],
  ['too long a body', 'POST', '/api/access', { ask: 'signIn', name: 'x'.repeat(20_000), passphrase: 'x' }, [400]],
  ['a place that takes nothing', 'POST', '/settings/access', { ask: 'setUp' }, [405]],
];

test('asked on purpose: a sentence each, nothing of the inside, and nothing written', async ({ page }) => {
  const counts = async () => (await (await page.request.get(`${server.url}/api/clients?most=everybody`)).text()).length;
  const before = await counts();
  for (const [what, method, path, body, wanted] of requests) {
    const options = {
      maxRedirects: 0,
      ...(body === null
        ? {}
        : {
            data: typeof body === 'string' ? Buffer.from(body) : body,
            headers: { 'content-type': 'application/json' },
          }),
    };
    const answer =
      method === 'GET'
        ? await page.request.get(server.url + path, options)
        : await page.request.post(server.url + path, options);
    const text = await answer.text();
    expect([what, wanted.includes(answer.status()), answer.status()]).toEqual([what, true, answer.status()]);
    expect([what, /node_modules|\bat [\w.]+ \(|SqliteError|\/src\//.test(text)]).toEqual([what, false]);
    expect([what, typeof (JSON.parse(text) as { why?: unknown }).why]).toEqual([what, 'string']);
    // From a page of somebody else nothing is done, whatever it is.
    if (met(method === 'POST')) {
      const foreign = await page.request.post(server.url + path, {
        data: {},
        headers: { origin: 'http://elsewhere.example', 'sec-fetch-site': 'cross-site' },
      });
      expect([what, foreign.status()]).toEqual([what, path === '/settings/access' ? 405 : 403]);
    }
  }
  expect(await counts()).toBe(before);
});
