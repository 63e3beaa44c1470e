import { searchClients, theStore } from '@/store';
import { answer } from '../answer';

/** So many are found at once; everybody is asked for where names out of a calendar are looked up. */
const most = { few: 8, everybody: 5000 } as const;

/** Clients by part of their name, for the find box. */
export function GET(request: Request) {
  const { searchParams } = new URL(request.url);
  const words = searchParams.get('find') ?? '';
  const limit = searchParams.get('most') === 'everybody' ? most.everybody : most.few;
  return answer({
    clients: searchClients(theStore(), words.slice(0, 120), limit).map(({ id, name }) => ({ id, name })),
  });
}
