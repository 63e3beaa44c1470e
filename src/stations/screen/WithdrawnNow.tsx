import { type HomeItem, withdrawnOf } from '@/core/home';
import { type Gates } from '@/core/safety';
import { WithdrawnNotices } from './WithdrawnNotices';

/** What went home and is off by what is known in this window. */
export function WithdrawnNow({ items, gates }: { items: readonly HomeItem[]; gates: Gates }) {
  return <WithdrawnNotices withdrawn={withdrawnOf(items, gates)} />;
}
