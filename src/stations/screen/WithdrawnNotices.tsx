import { type Withdrawn } from '@/core/home';
import { Notice } from '@/parts/Notice';

/** What went home and must not be done any more. */
export function WithdrawnNotices({ withdrawn }: { withdrawn: readonly Withdrawn[] }) {
  return withdrawn.map(({ id, name, why }) => (
    <Notice key={id} kind="stop" title={`${name} went home and is off now.`}>
      {why} Tell them not to do it any more.
    </Notice>
  ));
}
