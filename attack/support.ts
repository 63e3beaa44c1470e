import { join } from 'node:path';
import Database from 'better-sqlite3';
import { v7 as uuid } from 'uuid';
import { type TestServer } from '../e2e/support/server';

/** One thing that was tried: how often, what came of it, and whether what is promised held. */
export interface Row {
  tried: string;
  times: number;
  outcome: string;
  held: boolean | null;
}

export const row = (tried: string, times: number, outcome: string, held: boolean | null): Row => ({
  tried,
  times,
  outcome,
  held,
});

export const pause = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms));

export interface Command {
  id: string;
  kind: string;
  payload: Record<string, unknown>;
}

export const newClient = (name: string): Command => ({
  id: uuid(),
  kind: 'client.create',
  payload: { clientId: uuid(), factId: uuid(), name },
});

/** What the server said to a batch: outcomes as far as it answered, and its status; null without a server. */
export async function post(
  url: string,
  commands: readonly Command[],
): Promise<{ status: number; outcomes: { state: string; why?: string }[]; why?: string } | null> {
  try {
    const response = await fetch(`${url}/api/commands`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ commands }),
      signal: AbortSignal.timeout(20_000),
    });
    const body = (await response.json()) as { outcomes?: { state: string; why?: string }[]; why?: string };
    return { status: response.status, outcomes: body.outcomes ?? [], ...(body.why ? { why: body.why } : {}) };
  } catch {
    return null;
  }
}

/** Client ids in a studio's file. */
export function clientsIn(path: string): Map<string, number> {
  const db = new Database(path, { readonly: true });
  try {
    const rows = db.prepare('select id, count(*) as n from clients group by id').all() as { id: string; n: number }[];
    return new Map(rows.map(({ id, n }) => [id, n]));
  } finally {
    db.close();
  }
}

export function isWhole(path: string): boolean {
  const db = new Database(path, { readonly: true });
  try {
    return db.pragma('integrity_check', { simple: true }) === 'ok';
  } catch {
    return false;
  } finally {
    db.close();
  }
}

export const fileOf = (server: TestServer) => join(server.dataDir, 'studio.db');

export const idsOf = (commands: readonly Command[]) => commands.map(({ payload }) => String(payload.clientId));
