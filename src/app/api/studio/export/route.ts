import { asker, theStore, writeStudioZip } from '@/store';
import { answer } from '../../answer';
import { isSameOrigin } from '../../sameOrigin';
import { dropLater, fileWords, newPassing } from '../files';
import { inLines } from '../lines';

/** A whole studio as a ZIP, made while it is told how far it is. */
export function POST(request: Request) {
  if (!isSameOrigin(request)) return answer({ why: 'Only the app’s own pages may ask this.' }, 403);
  const [store, by] = [theStore(), asker()];
  return inLines(
    request,
    async (tell, signal) => {
      const { id, path } = newPassing('.zip');
      const made = await writeStudioZip(store, by, path, Date.now(), {
        onProgress: (done, of) => tell({ done, of }),
        signal,
      });
      dropLater(path);
      return { file: id, ...made };
    },
    fileWords,
  );
}
