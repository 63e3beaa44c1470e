import { type RemotePress, remotePressSchema } from '@/core/coach';

/** A press of a remote, checked; null for what is none. */
export function readPress(data: unknown): RemotePress | null {
  const press = remotePressSchema.safeParse(data);
  return press.success ? press.data : null;
}
