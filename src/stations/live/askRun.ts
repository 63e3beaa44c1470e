import { type RunNews, type StampedEvent } from '@/core/coach';

/** How long to wait for the server; what this browser knows is used after that. */
const askMs = 2500;

async function ask<T>(address: string): Promise<T | null> {
  try {
    const response = await fetch(address, { cache: 'no-store', signal: AbortSignal.timeout(askMs) });
    return response.ok ? ((await response.json()) as T) : null;
  } catch {
    return null;
  }
}

/** Events of a run as the server has them; null while it can’t be asked. */
export const serverEvents = async (runId: string) =>
  (await ask<{ events: StampedEvent[] }>(`/api/runs/${runId}`))?.events ?? null;

/** How far a run and what is known of those on it have come; null while it can’t be asked. */
export const serverNews = (runId: string) => ask<RunNews>(`/api/runs/${runId}?news`);
