import { createHash } from 'node:crypto';
import { phoneDataOf } from '@/parts/phoneData';
import { phonePage } from '@/phone/page';
import { shownWeek } from '@/stations/shownWeek';
import { loadClient, loadSettings } from '../../../../load';
import { answer, privateHeaders } from '../../../answer';
import { homeOfVisit } from '../home';
import { phoneScript } from './script';

const digest = (text: string) => createHash('sha256').update(text).digest('base64');

/** The page for the phone: what went home with a visit, in one file that asks nothing of any network. */
export async function GET(_request: Request, { params }: { params: Promise<{ visitId: string }> }) {
  const found = homeOfVisit((await params).visitId);
  if ('why' in found) return answer({ why: found.why }, 404);
  const { home, visit } = found;
  const view = loadClient(visit.clientId);
  if (!view) return answer({ why: 'No such client.' }, 404);
  const { studioName, weightUnit } = loadSettings();
  const data = phoneDataOf(home, {
    studio: studioName,
    weights: weightUnit,
    ...shownWeek(view),
  });
  return new Response(phonePage(data, await phoneScript(), digest), {
    headers: { ...privateHeaders, 'content-type': 'text/html; charset=utf-8' },
  });
}
