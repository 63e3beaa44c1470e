import { readPhoto, theStore } from '@/store';

/** A picture from the data folder, as it was written: JPEG without metadata. */
export async function GET(_request: Request, { params }: { params: Promise<{ photoId: string }> }) {
  const photo = readPhoto(theStore(), (await params).photoId);
  if (!photo) return Response.json({ why: 'No such picture.' }, { status: 404 });
  return new Response(new Uint8Array(photo), {
    headers: { 'content-type': 'image/jpeg', 'cache-control': 'private, max-age=31536000, immutable' },
  });
}
