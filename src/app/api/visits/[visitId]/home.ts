import { type StoredHome } from '@/core/home';
import { type VisitRow } from '@/core/record';
import { findVisit, homeOf, theStore } from '@/store';
import { isId } from '../../answer';

/** What goes home with a visit, or one sentence. */
export function homeOfVisit(visitId: string): { visit: VisitRow; home: StoredHome } | { why: string } {
  const visit = isId(visitId) ? findVisit(theStore(), visitId) : null;
  if (!visit) return { why: 'No such visit.' };
  const home = homeOf(theStore(), visitId);
  return home ? { visit, home } : { why: 'Nothing goes home with this visit yet.' };
}
