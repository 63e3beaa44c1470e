import { readdirSync, rmSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { v7 as uuid } from 'uuid';
import { testServer } from './support/server';
import { expectAccessible, seedClient } from './support/walk';

const server = testServer(4347);

test.beforeAll(() => server.start());
test.afterAll(() => server.close());

test('a copy is made by hand, checked, listed, and found by who puts one back @first', async ({ page }) => {
  await seedClient(page, server.url, 'Tegen Brook');
  await page.goto(`${server.url}/settings`);
  await page.getByRole('link', { name: 'Records and copies' }).click();
  await expect(page.getByText(/the first is made five minutes after/)).toBeVisible();
  await page.getByRole('button', { name: 'Copy now' }).click();
  await expect(
    page.getByRole('status').filter({ hasText: /^Copied and checked: 1 client, 1 visit, 0 pictures\.$/ }),
  ).toBeVisible();
  await expect(
    page.getByRole('listitem').filter({ hasText: /^studio-\d{4}.*1 client, 1 visit, 0 pictures/ }),
  ).toBeVisible();
  // From another origin nobody has one made.
  const answer = await page.request.post(`${server.url}/api/copies`, { headers: { origin: 'http://elsewhere.test' } });
  expect(answer.status()).toBe(403);
});

test('whoever asks for their record gets it, to read and whole; nobody else’s address gives any', async ({ page }) => {
  const clientId = await seedClient(page, server.url, 'Senara Wick');
  await page.goto(`${server.url}/clients/${clientId}/track/record`);
  const all = page.getByRole('region', { name: 'All that is kept of them' });
  const [pdf] = await Promise.all([
    page.waitForEvent('download'),
    all.getByRole('button', { name: 'To read (PDF)' }).click(),
  ]);
  // The name of the file says nothing of whose it is.
  expect(pdf.suggestedFilename()).toBe('record.pdf');
  const [zip] = await Promise.all([
    page.waitForEvent('download'),
    all.getByRole('link', { name: /^Everything/ }).click(),
  ]);
  expect(zip.suggestedFilename()).toBe('record.zip');
  const record = await page.request.get(`${server.url}/api/clients/${clientId}/record`);
  expect(record.headers()['content-type']).toBe('application/zip');
  expect(record.headers()['cache-control']).toBe('no-store');
  for (const id of ['00000000-0000-4000-8000-000000000000', '..%2f..', 'x'])
    expect([400, 404]).toContain((await page.request.get(`${server.url}/api/clients/${id}/record`)).status());
});

test('a whole studio goes out, and comes in again elsewhere: looked at first, what differs chosen row by row', async ({
  page,
}) => {
  const other = testServer(4356);
  await other.start();
  try {
    await page.goto(`${server.url}/settings/records`);
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Make the file' }).click(),
    ]);
    expect(file.suggestedFilename()).toBe('studio.zip');
    await expect(page.getByText(/^Made: \d+ clients/)).toBeVisible();
    const path = test.info().outputPath('studio.zip');
    await file.saveAs(path);

    await page.goto(`${other.url}/settings/records`);
    await page.getByLabel('The ZIP, or one record as JSON').setInputFiles(path);
    await expect(page.getByText('Senara Wick, Tegen Brook')).toBeVisible();
    await expectAccessible(page, 'a file looked at');
    // Looked at and left, nothing was taken in.
    await page.getByRole('button', { name: 'Leave it' }).click();
    expect(await (await page.request.get(`${other.url}/api/clients`)).text()).not.toContain('Tegen');
    await page.getByLabel('The ZIP, or one record as JSON').setInputFiles(path);
    await page.getByRole('button', { name: 'Take it in' }).click();
    await expect(page.getByText(/^Taken in: \d+ entries/)).toBeVisible();
    const { clients } = (await (await page.request.get(`${other.url}/api/clients?find=Tegen`)).json()) as {
      clients: { id: string }[];
    };
    // Renamed here meanwhile, both are shown; what is here stays unless the file's is chosen.
    const named = (name: string) => [
      {
        id: uuid(),
        kind: 'fact.add',
        payload: { factId: uuid(), clientId: clients[0]!.id, key: 'name', value: name, basedOn: null },
      },
    ];
    await page.request.post(`${other.url}/api/commands`, { data: { commands: named('Tegen Brook-Hale') } });
    await page.getByLabel('The ZIP, or one record as JSON').setInputFiles(path);
    await expect(page.getByLabel('Here').filter({ hasText: 'Tegen Brook-Hale' })).toBeVisible();
    await expect(page.getByLabel('In the file').filter({ hasText: /^Tegen Brook$/ })).toBeVisible();
    await expectAccessible(page, 'what differs');
    await page.getByRole('radio', { name: 'From the file' }).first().click();
    await page.getByRole('button', { name: 'Take it in' }).click();
    await expect(page.getByText('Taken in: 1 entry, 0 pictures.')).toBeVisible();
    await page.goto(`${other.url}/clients`);
    await expect(page.getByRole('link', { name: 'Tegen Brook', exact: true })).toBeVisible();
    // What is no file of ours is told of in one sentence.
    await page.goto(`${other.url}/settings/records`);
    await page
      .getByLabel('The ZIP, or one record as JSON')
      .setInputFiles({ name: 'x.zip', mimeType: 'application/zip', buffer: Buffer.from('PK nonsense') });
    await expect(page.getByText(/^This is no ZIP that can be read/)).toBeVisible();
  } finally {
    await other.close();
  }
});

test('a list of clients comes in: columns matched, bad lines named, none half taken', async ({ page }) => {
  const csv = [
    '\ufeffClient;Date of birth;Notes',
    'Bram Holt;7.3.1981;"brings; his own strap"',
    'Ilse Brandt;31.4.1990;',
    ';1.1.1980;nobody',
    '=HYPERLINK("x");;',
    'tegen brook;;',
  ].join('\r\n');
  await page.goto(`${server.url}/settings/records`);
  await page
    .getByLabel('The list (CSV)')
    .setInputFiles({ name: 'list.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  await expect(page.getByRole('cell', { name: 'brings; his own strap' })).toBeVisible();
  await expect(page.getByText('Line 3: “31.4.1990” is no day in this order.')).toBeVisible();
  await expect(page.getByText('Line 4: There is no name.')).toBeVisible();
  await expect(page.getByText('1 is here already by that name and left out.')).toBeVisible();
  await expectAccessible(page, 'a list of clients');
  await page.getByRole('button', { name: 'Take in 2 clients' }).click();
  await expect(page.getByText('Taken in: 2 clients.')).toBeVisible();
  const { clients } = (await (await page.request.get(`${server.url}/api/clients?find=Bram`)).json()) as {
    clients: { id: string }[];
  };
  expect(clients).toHaveLength(1);
  expect(
    ((await (await page.request.get(`${server.url}/api/clients?find=Ilse`)).json()) as { clients: object[] }).clients,
  ).toEqual([]);
  await page
    .getByLabel('The list (CSV)')
    .setInputFiles({ name: 'list.csv', mimeType: 'text/csv', buffer: Buffer.from('a,"b\nc') });
  await expect(page.getByText(/a quotation mark is not closed/)).toBeVisible();
});

test('a copy is locked, looked into with its passphrase, and put back in the place of what is here', async ({
  page,
}) => {
  await page.goto(`${server.url}/settings/records`);
  await page.getByLabel('Folder, from its root').fill(server.dataDir);
  await page.getByRole('button', { name: 'Copy there too' }).click();
  await expect(page.getByText('This is where the studio itself lies.')).toBeVisible();
  // What was typed stays.
  await expect(page.getByLabel('Folder, from its root')).toHaveValue(server.dataDir);
  const stick = `${server.dataDir}-stick`;
  await page.getByLabel('Folder, from its root').fill(stick);
  await page.getByRole('button', { name: 'Copy there too' }).click();
  await expect(page.getByText('Set. The next copy goes there too.')).toBeVisible();
  await page.getByLabel('Passphrase for the copies').fill('password1234');
  await page.getByRole('button', { name: 'Lock copies with it' }).click();
  await expect(page.getByText(/would soon be guessed/)).toBeVisible();
  await page.getByLabel('Passphrase for the copies').fill('lock keeper of the weir');
  await page.getByRole('button', { name: 'Lock copies with it' }).click();
  await expect(page.getByText('Set. It holds for the next copy.')).toBeVisible();
  await page.getByRole('button', { name: 'Copy now' }).click();
  await expect(page.getByText(/^Copied, checked and locked.* and in the second place/)).toBeVisible();
  expect(readdirSync(stick).filter((name) => name.startsWith('studio-'))).toHaveLength(1);
  rmSync(stick, { recursive: true });
  await seedClient(page, server.url, 'Jory Pike');
  await page.reload();
  const row = page.getByRole('listitem').filter({ hasText: /, locked/ });
  await row.getByRole('button', { name: /^Put it back/ }).click();
  await row.getByLabel('Its passphrase').fill('lock keeper of the wier');
  await row.getByRole('button', { name: 'Open it' }).click();
  await expect(row.getByText('This is not the passphrase')).toBeVisible();
  await row.getByLabel('Its passphrase').fill('lock keeper of the weir');
  await row.getByRole('button', { name: 'Open it' }).click();
  await expect(row.getByText('Jory Pike')).toBeVisible();
  await expectAccessible(page, 'what putting back changes');
  await row.getByRole('button', { name: 'Put this copy in the place of what is here' }).click();
  await expect(page.getByText('It is put back.')).toBeVisible();
  await page.getByRole('button', { name: 'To Today' }).click();
  await page.goto(`${server.url}/clients`);
  await expect(page.getByRole('link', { name: 'Bram Holt' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Jory Pike' })).toHaveCount(0);
  // What is recorded now is recorded in it, and the studio outlives its server.
  await seedClient(page, server.url, 'Senara Hale');
  await server.kill();
  await server.start();
  await page.goto(`${server.url}/clients`);
  await expect(page.getByRole('link', { name: 'Senara Hale' })).toBeVisible();
});
