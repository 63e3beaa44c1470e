import { createReadStream, existsSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { answer, isId, privateHeaders } from '../../../answer';
import { passingFolder } from '../../files';

/** The file that was made; its name says nothing of whose it is. */
export async function GET(_request: Request, { params }: { params: Promise<{ fileId: string }> }) {
  const { fileId } = await params;
  const path = join(passingFolder(), `${isId(fileId) ? fileId : 'none'}.zip`);
  if (!existsSync(path)) return answer({ why: 'This file is no longer there. Make it again.' }, 404);
  return new Response(Readable.toWeb(createReadStream(path)) as ReadableStream, {
    headers: {
      ...privateHeaders,
      'content-type': 'application/zip',
      'content-length': String(statSync(path).size),
      'content-disposition': 'attachment; filename="studio.zip"',
    },
  });
}
