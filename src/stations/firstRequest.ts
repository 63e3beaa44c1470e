import { type PlanRequest } from '@/core/sequence';
import { type SchoolId } from '@/core/schools';
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
  const booked = planning.booking?.minutes ?? null;
  return {
    intent,
    side,
    minutes: minutesFor(booked) ?? before?.minutes ?? settings.defaultMinutes,
    talkSeconds: before?.talkSeconds ?? settings.talkSeconds,
    propsAtHand: before?.propsAtHand ?? settings.ownProps,
    leadSchool,
    ...(before?.avoidPositions?.length ? { avoidPositions: before.avoidPositions } : {}),
  };
}

/** Of what is booked, looking and closing take a good third. Common practice, the part ours. */
const minutesFor = (booked: number | null) =>
  booked === null ? null : Math.max(5, Math.min(60, Math.round((booked * 0.6) / 5) * 5));
