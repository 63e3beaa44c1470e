import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { statSync } from 'node:fs';
import { appended, ask, asWho, measure, pagesOf, tell, withStudio } from './load';
import { percentile, report } from './report';

const wanted = { page: 150, search: 50, append: 20, one: 1000, all: 60_000 } as const;

const asked = (url: string, body: object) =>
  fetch(`${url}/api/access`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', ...asWho },
    body: JSON.stringify(body),
  });

async function signIn(url: string, body: object) {
  delete asWho.cookie;
  const answer = await asked(url, body);
  const cookie = answer.headers.getSetCookie().find((one) => one.startsWith('kokyu='));
  if (!cookie) throw new Error(`not signed in: ${answer.status} ${await answer.text()}`);
  asWho.cookie = cookie.split(';')[0]!;
}

/** The last line of an answer that tells how far it is. */
async function lastLine(url: string): Promise<Record<string, unknown>> {
  const text = await (await fetch(`${url}/api/studio/export`, { method: 'POST', headers: asWho })).text();
  return JSON.parse(text.trim().split('\n').at(-1)!) as Record<string, unknown>;
}

/** A studio of 2,000 clients, 60,000 visits and a million events, as its owner and as a coach of some of them; while it is copied and taken out. */
export async function records() {
  await withStudio(4394, { clients: 2000, visits: 30, events: 17 }, async ({ url, clientIds, runIds, dataDir }) => {
    const size = statSync(join(dataDir, 'studio.db')).size;
    report('size on disk', `${(size / 1e6).toFixed(0)} MB`, 'stated', size > 0);
    await signIn(url, { ask: 'setUp', name: 'Wren Addo', passphrase: 'heron lamp quiet barrow' });
    const kit = { name: 'Kit Marsh', passphrase: 'otter sails copper gate' };
    const first = 'gate copper sails otter';
    await asked(url, { ask: 'addCoach', name: kit.name, passphrase: first });
    const pages = pagesOf(clientIds.slice(0, 2), runIds.slice(0, 1));
    tell('as owner', await measure(url, pages, 12), () => wanted.page);
    const search = async (who: string) => {
      const times: number[] = [];
      for (let i = 0; i < 60; i += 1)
        times.push((await ask(url, `/api/clients?find=${['il', 'tam', 'a', 'Bra'][i % 4]}`)).ms);
      const p95 = percentile(times, 0.95);
      report(
        `search as you type, ${who}`,
        `p95 ${p95.toFixed(0)} ms`,
        `under ${wanted.search} ms`,
        p95 < wanted.search,
      );
    };
    await search('owner');

    const copy = spawn(process.execPath, ['scripts/run.mjs', 'scripts/backup.ts'], {
      env: { ...process.env, KOKYU_DATA: dataDir },
      stdio: 'ignore',
    });
    let copying = true;
    copy.once('exit', () => (copying = false));
    await new Promise((resolve) => setTimeout(resolve, 300));
    const times = await appended(url, runIds[0]!);
    const p95 = percentile(times, 0.95);
    report(
      `event append while a copy is ${copying ? 'made' : 'made and done'}`,
      `p95 ${p95.toFixed(1)} ms`,
      `under ${wanted.append} ms`,
      p95 < wanted.append,
    );
    await new Promise<void>((resolve) => (copying ? copy.once('exit', () => resolve()) : resolve()));

    const one: number[] = [];
    for (let i = 0; i < 8; i += 1)
      one.push((await ask(url, `/api/clients/${clientIds[i % clientIds.length]}/record`)).ms);
    const slowest = Math.max(...one.slice(1));
    report(
      'a client’s record, whole',
      `${slowest.toFixed(0)} ms at most`,
      `under ${wanted.one} ms`,
      slowest < wanted.one,
    );

    const from = performance.now();
    const made = lastLine(url);
    // Somebody works meanwhile, three pages a second.
    const meanwhile: number[] = [];
    let going = true;
    void made.finally(() => (going = false));
    while (going) {
      meanwhile.push((await ask(url, `/clients/${clientIds[0]}/screen`)).ms);
      await new Promise((resolve) => setTimeout(resolve, 300));
    }
    const line = await made;
    const took = performance.now() - from;
    report(
      `the whole studio out (${String(line.clients)} clients)`,
      `${(took / 1000).toFixed(1)} s, a page meanwhile p95 ${percentile(meanwhile, 0.95).toFixed(0)} ms`,
      `under ${wanted.all / 1000} s`,
      took < wanted.all,
    );

    const coaches = await (await fetch(`${url}/settings/access`, { headers: asWho })).text();
    const kitId = /"id":"([0-9a-f-]{36})","name":"Kit Marsh"/.exec(coaches.replaceAll('\\"', '"'))?.[1];
    if (!kitId) throw new Error('The second coach was not found.');
    for (const clientId of clientIds) await asked(url, { ask: 'handOver', clientId, coachId: kitId });
    await signIn(url, { ask: 'signIn', name: kit.name, passphrase: first });
    await asked(url, { ask: 'change', now: first, passphrase: kit.passphrase });
    tell(`as a coach of ${clientIds.length} clients`, await measure(url, pages, 12), () => wanted.page);
    await search('coach');
  });
}
