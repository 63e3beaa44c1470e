import { pregnancyWeek } from '@/core/safety';
import { type ClientView } from './view';

/** Of a client who is pregnant, the week their figure is drawn in. */
export function shownWeek({ known, today }: Pick<ClientView, 'known' | 'today'>): { week?: number } {
  const answer = known.profile.answers.pregnancy;
  const week = answer?.value === 'yes' ? pregnancyWeek(answer, today) : null;
  return week === null ? {} : { week };
}
