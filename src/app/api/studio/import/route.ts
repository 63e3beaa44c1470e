import { mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { Readable, Transform } from 'node:stream';
import { ImportFault, Staging, pour, wholeStore } from '@/store';
import { answer } from '../../answer';
import { isSameOrigin } from '../../sameOrigin';
import { fileWords, keepWaiting, newPassing, passingFolder } from '../files';
import { inLines } from '../lines';

const mostBytes = 2_000_000_000;

/** A file on its way in: unpacked and checked beside the studio, and told what it would change. Nothing is changed yet. */
export function POST(request: Request) {
  if (!isSameOrigin(request)) return answer({ why: 'Only the app’s own pages may ask this.' }, 403);
  if (!request.body) return answer({ why: 'There is no file.' }, 400);
  const sent = request.body;
  const store = wholeStore();
  return inLines(
    request,
    async (tell, signal) => {
      mkdirSync(passingFolder(), { recursive: true, mode: 0o700 });
      const { id, path } = newPassing('.upload');
      const staging = new Staging(store, join(passingFolder(), id));
      try {
        await pour(Readable.fromWeb(sent as never), path, { through: [upTo(mostBytes)], signal });
        await staging.read(path, { onProgress: (done, of) => tell({ done, of }), signal });
        const preview = staging.preview();
        keepWaiting(id, staging, path);
        return { id, preview };
      } catch (error) {
        staging.close();
        rmSync(path, { force: true });
        throw error;
      }
    },
    fileWords,
  );
}

function upTo(most: number) {
  let bytes = 0;
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      bytes += chunk.length;
      if (bytes > most) done(new ImportFault('This file is too large.'));
      else done(null, chunk);
    },
  });
}
