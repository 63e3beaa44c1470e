import { factsOf, findClient, theStore } from '@/store';
import { answer, isId } from '../../../answer';

/** Everything said of a client, oldest first: the long tail of the history. */
export async function GET(_request: Request, { params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  if (!isId(clientId)) return answer({ why: 'This is no client.' }, 400);
  const store = theStore();
  return findClient(store, clientId)
    ? answer({ facts: factsOf(store, clientId) })
    : answer({ why: 'No such client.' }, 404);
}
