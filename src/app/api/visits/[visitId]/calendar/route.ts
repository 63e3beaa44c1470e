import { homeCalendar } from '@/core/home';
import { loadSettings } from '../../../../load';
import { answer, privateHeaders } from '../../../answer';
import { homeOfVisit } from '../home';

/** The times of what went home with a visit, as an iCalendar file with alarms. */
export async function GET(_request: Request, { params }: { params: Promise<{ visitId: string }> }) {
  const found = homeOfVisit((await params).visitId);
  if ('why' in found) return answer({ why: found.why }, 404);
  const { plan, revision } = found.home;
  const made = new Date().toISOString();
  return new Response(homeCalendar(plan, { made, revision, studio: loadSettings().studioName }), {
    headers: { ...privateHeaders, 'content-type': 'text/calendar; charset=utf-8' },
  });
}
