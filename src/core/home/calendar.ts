import ICAL from 'ical.js';
import { addDays } from '../record/day';
import { drillOf } from '../sequence';
import { isNextDay } from './clock';
import { inOrderOfDay } from './habits';
import { type Go, type HomePlan } from './practice';
import { goTotals } from './totals';

/** What a calendar file is made for. */
export interface CalendarFor {
  /** UTC, ISO: when it is made. */
  made: string;
  /** How often the plan was changed: a newer file takes the place of an older one (RFC 5545, SEQUENCE). */
  revision: number;
  studio: string;
}

/**
 * The times of a plan as an iCalendar file with an alarm each (RFC 5545), but where things passed anyway remind them. Times are floating, so that half past seven stays half past
 * seven on the day the clocks change and wherever the phone is; each is one entry that comes again daily.
 *
 * @example homeCalendar(plan, { made: now, revision: 2, studio: 'Saltmarsh Movement Rooms' }) // 'BEGIN:VCALENDAR…'
 */
export function homeCalendar(plan: HomePlan, { made, revision, studio }: CalendarFor): string {
  const calendar = new ICAL.Component('vcalendar');
  calendar.addPropertyWithValue('prodid', '-//Kokyu//Practice at home//EN');
  calendar.addPropertyWithValue('version', '2.0');
  calendar.addPropertyWithValue('method', 'PUBLISH');
  const items = new Map(plan.items.map((one) => [one.id, one]));
  const entry = (go: Go, off: boolean) => {
    const what = items.get(go.itemId);
    const event = new ICAL.Component('vevent');
    event.addPropertyWithValue('uid', `${go.id}@kokyu.invalid`);
    event.addPropertyWithValue('sequence', revision);
    event.addPropertyWithValue('dtstamp', ICAL.Time.fromString(`${made.slice(0, 19)}Z`, undefined as never));
    const day = isNextDay(go.at, plan) ? addDays(plan.from, 1) : plan.from;
    event.addPropertyWithValue('dtstart', ICAL.Time.fromDateTimeString(`${day}T${go.at}:00`));
    const name = what ? drillOf(what.item).name : 'Practice';
    const seconds = what ? goTotals(what.item).seconds : 60;
    event.addPropertyWithValue('duration', ICAL.Duration.fromSeconds(Math.max(60, Math.ceil(seconds / 60) * 60)));
    event.addPropertyWithValue('rrule', ICAL.Recur.fromString(`FREQ=DAILY;COUNT=${plan.days}`));
    event.addPropertyWithValue('summary', `${name}${go.with ? ` (${go.with})` : ''}`);
    event.addPropertyWithValue('location', studio);
    event.addPropertyWithValue('transp', 'TRANSPARENT');
    if (off) event.addPropertyWithValue('status', 'CANCELLED');
    // Whoever is reminded by the kettle and the door wants no alarm besides.
    else if (plan.remind !== 'things') {
      const alarm = new ICAL.Component('valarm');
      alarm.addPropertyWithValue('action', 'DISPLAY');
      alarm.addPropertyWithValue('trigger', ICAL.Duration.fromSeconds(0));
      alarm.addPropertyWithValue('description', name);
      event.addSubcomponent(alarm);
    }
    calendar.addSubcomponent(event);
  };
  for (const go of inOrderOfDay(plan)) entry(go, false);
  for (const go of plan.calledOff) entry(go, true);
  return `${calendar.toString()}\r\n`;
}
