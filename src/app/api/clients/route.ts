import { searchClients, theStore } from '@/store';

/** Clients by part of their name, for the find box. */
export function GET(request: Request) {
  const words = new URL(request.url).searchParams.get('find') ?? '';
  return Response.json({
    clients: searchClients(theStore(), words.slice(0, 120), 8).map(({ id, name }) => ({ id, name })),
  });
}
