import { recordZip } from '../../../../everything';
import { answer, isId, privateHeaders } from '../../../answer';

/** Everything that is kept of a client, as a ZIP. Its name says nothing of whose it is. */
export async function GET(_request: Request, { params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const zip = isId(clientId) ? recordZip(clientId) : null;
  if (!zip) return answer({ why: 'No such client.' }, 404);
  return new Response(new Uint8Array(zip), {
    headers: {
      ...privateHeaders,
      'content-type': 'application/zip',
      'content-disposition': 'attachment; filename="record.zip"',
    },
  });
}
