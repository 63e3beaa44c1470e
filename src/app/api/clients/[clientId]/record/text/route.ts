import { recordText } from '../../../../../everything';
import { answer, isId } from '../../../../answer';

/** Everything that is kept of a client, to be read. */
export async function GET(_request: Request, { params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const text = isId(clientId) ? recordText(clientId) : null;
  return text === null ? answer({ why: 'No such client.' }, 404) : answer({ text });
}
