import { type SchoolId } from '@/core/schools';
import { type PlanRequest, minutesOfBooking } from '@/core/sequence';
import { type ClientView } from './view';

/**
 * What a plan is asked with before anybody has touched anything: the booking's minutes, the props, positions and talk of the plan
 * before, else what Settings say.
 *
 * @example firstRequest(view, 'quietChest').minutes // 30 where half an hour is booked
 */
export function firstRequest({ settings, visit, planning }: ClientView<'planning'>, leadSchool: SchoolId): PlanRequest {
  const { intent, side } = visit!.reading!;
  const before = planning.lastRequest;
  const { booking } = planning;
  return {
    intent,
    side,
    minutes: (booking && minutesOfBooking(booking.minutes)) ?? before?.minutes ?? settings.defaultMinutes,
    talkSeconds: before?.talkSeconds ?? settings.talkSeconds,
    propsAtHand: before?.propsAtHand ?? settings.ownProps,
    leadSchool,
    ...(before?.avoidPositions?.length ? { avoidPositions: before.avoidPositions } : {}),
  };
}
