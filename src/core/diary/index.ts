export {
  type Booking,
  type Rooms,
  type Stretch,
  freeOn,
  openOn,
  placing,
  placingInWords,
  standingOn,
  stretchInWords,
  stretchOf,
} from './bookings';
export { type CalendarEntry, calendarOf, mostCalendarCharacters, readCalendar } from './calendar';
export {
  aroundDays,
  clockTyped,
  instantAt,
  lengthInWords,
  minuteIn,
  minuteOf,
  repeated,
  timeIn,
  timeOf,
  weekOf,
  weekdayName,
  weekdayShort,
} from './clock';
export { type LastLook, type RecheckDue, rechecksDue } from './recheck';
export { type Diary, type NextNote, diaryWith } from './shown';
export { type Waiting, offerFor } from './waiting';
export { type Taking, clientNamed, takingOf } from './taking';
export { type DayVisit, visitsOfBookings } from './visits';
