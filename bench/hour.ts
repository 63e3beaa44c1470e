import { v7 as uuid } from 'uuid';
import { memoryOf } from '../scripts/memory';
import { ask, pagesOf, withStudio } from './load';
import { report } from './report';

const command = (url: string, kind: string, payload: object) =>
  fetch(`${url}/api/commands`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ commands: [{ id: uuid(), kind, payload }] }),
  });

/**
 * Whether what the server holds stays where it is: about ten requests a second for so long, pages of everybody, search, whole records,
 * new clients and events of runs among them.
 */
export async function anHour(minutes: number) {
  await withStudio(4398, { clients: 200, visits: 10, events: 30 }, async ({ url, pid, clientIds, runIds }) => {
    const pages = pagesOf(clientIds.slice(0, 40), runIds.slice(0, 20)).map(([, path]) => path);
    const sizes: { resident: number; own: number }[] = [];
    const until = Date.now() + minutes * 60_000;
    const step = (minutes * 60_000) / 12;
    let [n, asked, nextAt] = [0, 0, Date.now() + step];
    while (Date.now() < until) {
      await ask(url, pages[n % pages.length]!);
      if (n % 5 === 0) await ask(url, `/api/clients?find=${['il', 'tam', 'a', 'Bra'][n % 4]}`);
      if (n % 50 === 0) await ask(url, `/api/clients/${clientIds[n % clientIds.length]}/record`);
      if (n % 60 === 0) {
        await command(url, 'client.create', { clientId: uuid(), factId: uuid(), name: `Load ${n}` });
      }
      const event = { type: 'breath', item: 0, set: 1, breath: n % 20, seconds: 9 };
      await command(url, 'run.append', {
        runId: runIds[Math.floor(n / 300) % runIds.length],
        events: [{ id: uuid(), seq: 500 + n, atEpochMs: Date.now(), event }],
      });
      n += 1;
      asked += 2;
      if (Date.now() >= nextAt) {
        nextAt += step;
        sizes.push(memoryOf(pid));
        console.log(
          `  ${sizes.length}/12: ${sizes.at(-1)!.resident.toFixed(0)} MB, own ${sizes.at(-1)!.own.toFixed(0)} MB`,
        );
      }
      await new Promise((resolve) => setTimeout(resolve, 120));
    }
    const mean = (list: typeof sizes) => list.reduce((sum, { own }) => sum + own, 0) / list.length;
    // Its first quarter fills what is kept ready; from then on it must not grow.
    const [before, after] = [mean(sizes.slice(3, 6)), mean(sizes.slice(-3))];
    report(
      `memory over ${minutes} min, ${asked} requests and more`,
      `${before.toFixed(0)} → ${after.toFixed(0)} MB of its own, ${Math.max(...sizes.map(({ resident }) => resident)).toFixed(0)} resident at most`,
      'flat: under × 1.15',
      after < before * 1.15,
    );
  });
}
