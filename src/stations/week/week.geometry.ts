import { type Booking, type Rooms, type Stretch, freeOn, openOn, standingOn, stretchOf } from '@/core/diary';

/** How a day is drawn: past days small, today large. */
export type DayKind = 'past' | 'today' | 'to come';

/** How wide a letter is, of its size, at most on the average. */
const letter = 0.56;
/** Between two labels, in px. */
const apart = 10;

/** The hours a week is drawn over: those the rooms are open on any day, and those anybody is booked, in whole hours. */
export function frameOf(days: readonly string[], bookings: readonly Booking[], rooms: Rooms): Stretch {
  const stretches = days.flatMap((day) => [
    ...[openOn(day, rooms)].filter((open) => open !== null),
    ...standingOn(bookings, day, rooms.zone).map((booking) => stretchOf(booking, rooms.zone)),
  ]);
  if (stretches.length === 0) return { from: 9 * 60, to: 17 * 60 };
  return {
    from: Math.floor(Math.min(...stretches.map(({ from }) => from)) / 60) * 60,
    to: Math.ceil(Math.max(...stretches.map(({ to }) => to)) / 60) * 60,
  };
}

/** Where a minute of the day lies on a line of a width. */
export const xOf = (minute: number, { from, to }: Stretch, width: number) => ((minute - from) / (to - from)) * width;

/** A place on a line as part of it: right on a line of any width, as before the width of this screen was measured. */
export const partOf = (px: number, width: number) => `${(px / width) * 100}%`;

/** Which minute lies so far along a line, to the quarter of an hour. */
export const minutesOf = (px: number, { from, to }: Stretch, width: number) =>
  Math.round(((px / width) * (to - from)) / 15) * 15;

/** Heights of a day's parts, px. */
export const sizes: Readonly<Record<DayKind, { name: number; time: number; line: number; bar: number }>> = {
  past: { name: 15, time: 0, line: 19, bar: 5 },
  today: { name: 20, time: 20, line: 24, bar: 9 },
  'to come': { name: 17, time: 18, line: 20, bar: 8 },
};
/** Between the letters of a name and its bar. */
const overBar = 5;
export const needLine = 20;

const widthOf = (text: string, kind: DayKind) => text.length * letter * sizes[kind].name + 14;

/** A name in two lines: the first name over the rest. */
function inTwo(name: string): string[] {
  const [first = '', ...rest] = name.split(' ');
  return rest.length === 0 ? [first] : [first, rest.join(' ')];
}

/** A booking as it is drawn on its day's line. */
export interface Drawn {
  booking: Booking;
  /** The name, in one line where there is room before the next. */
  lines: string[];
  /** Its bar. */
  x: number;
  width: number;
  /** How wide its label is at most, how high its foot stands over the line, and how high it is. */
  labelWidth: number;
  foot: number;
  height: number;
  /** Room under the line until the next booking's needs. */
  room: number;
}

/**
 * The bookings of a day along its line. A label that would lie over the one before it stands above it.
 *
 * @param width of the line, px
 */
export function drawnOn(
  bookings: readonly Booking[],
  kind: DayKind,
  frame: Stretch,
  width: number,
  zone: string,
): Drawn[] {
  const drawn: Drawn[] = [];
  bookings.forEach((booking, i) => {
    const { from, to } = stretchOf(booking, zone);
    const x = xOf(from, frame, width);
    const next = bookings[i + 1];
    const room = (next ? xOf(stretchOf(next, zone).from, frame, width) : width + 24) - x - apart;
    const whole = kind === 'past' || widthOf(booking.name, kind) <= room;
    const lines = whole ? [booking.name] : inTwo(booking.name);
    const labelWidth = Math.max(60, ...lines.map((line) => widthOf(line, kind)));
    const height = sizes[kind].time + lines.length * sizes[kind].line;
    const over = drawn.filter((other) => other.x + other.labelWidth + apart > x);
    const foot = Math.max(overBar, ...over.map((other) => other.foot + other.height + 2));
    drawn.push({
      booking,
      lines,
      x,
      width: xOf(to, frame, width) - x,
      labelWidth,
      foot,
      height,
      room,
    });
  });
  return drawn;
}

/** How high the labels of a day stand over its line. */
export const labelHeight = (drawn: readonly Drawn[], kind: DayKind): number =>
  Math.max(sizes[kind].time + sizes[kind].line + overBar, ...drawn.map(({ foot, height }) => foot + height)) + 4;

/** A free stretch of a day worth naming, where its words can stand: beside the label of the booking before it. */
export function freeDrawn(
  day: string,
  bookings: readonly Booking[],
  drawn: readonly Drawn[],
  rooms: Rooms,
  frame: Stretch,
  width: number,
): { from: number; to: number; x: number; width: number }[] {
  const wordsWidth = 96;
  return freeOn(day, bookings, rooms, 45).flatMap(({ from, to }) => {
    const labelled = drawn.filter(({ x }) => x <= xOf(from, frame, width));
    const left = Math.max(xOf(from, frame, width), ...labelled.map(({ x, labelWidth }) => x + labelWidth));
    const right = xOf(to, frame, width);
    return right - left >= wordsWidth ? [{ from, to, x: left, width: right - left }] : [];
  });
}
