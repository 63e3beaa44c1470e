import { searchClients, theStore } from '@/store';
import { answer } from '../answer';

/** Clients by part of their name, for the find box. */
export function GET(request: Request) {
  const words = new URL(request.url).searchParams.get('find') ?? '';
  return answer({ clients: searchClients(theStore(), words.slice(0, 120), 8).map(({ id, name }) => ({ id, name })) });
}
