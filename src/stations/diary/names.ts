'use client';

import { type Payload, type Said } from '@/core/record';

/** Names of clients this tab has met: what was just said of somebody is shown with their name before the server tells it. */
const met = new Map<string, string>();

export const rememberName = (clientId: string, name: string) => void met.set(clientId, name);

/** How to name a client by id, with those that were just added. */
export function namesOf(said: readonly Said[]): (clientId: string) => string {
  return (clientId) => {
    const known = met.get(clientId);
    if (known !== undefined) return known;
    const created = said.find(
      ({ kind, payload }) => kind === 'client.create' && (payload as Payload<'client.create'>).clientId === clientId,
    );
    return created ? (created.payload as Payload<'client.create'>).name : 'Somebody';
  };
}
