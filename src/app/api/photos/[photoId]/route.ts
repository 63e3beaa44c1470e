import { readPhoto, theStore } from '@/store';
import { answer, isId, privateHeaders } from '../../answer';

/** A picture from the data folder, as it was written: JPEG without metadata. No cache keeps it. */
export async function GET(_request: Request, { params }: { params: Promise<{ photoId: string }> }) {
  const { photoId } = await params;
  if (!isId(photoId)) return answer({ why: 'This is no picture.' }, 400);
  const photo = readPhoto(theStore(), photoId);
  if (!photo) return answer({ why: 'No such picture.' }, 404);
  return new Response(new Uint8Array(photo), { headers: { 'content-type': 'image/jpeg', ...privateHeaders } });
}
