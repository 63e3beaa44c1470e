import { type AccessAsk, type Asked } from '@/core/access';

/** What the server says to something asked about who may come in. */
export type Told = { ok: true; code?: string } | { ok: false; status: number; why: string };

/**
 * Asks something about who may come in. It is not written down anywhere on its way: a passphrase is in nobody's outbox.
 */
export async function askAccess<K extends AccessAsk>(ask: K, payload: Asked<K>): Promise<Told> {
  try {
    const response = await fetch('/api/access', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ ask, ...payload }),
    });
    const { why, code } = (await response.json()) as { why?: string; code?: string };
    return response.ok
      ? { ok: true, ...(code === undefined ? {} : { code }) }
      : { ok: false, status: response.status, why: why ?? 'The server did not take it.' };
  } catch {
    return { ok: false, status: 0, why: 'The server did not answer. Nothing was changed; try again in a moment.' };
  }
}
