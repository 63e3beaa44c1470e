'use client';

import { useDraggable, useDroppable } from '@dnd-kit/core';
import { TriangleAlert } from 'lucide-react';
import { Link } from '@/parts/Link';
import { Fragment, useRef, useState } from 'react';
import {
  type Booking,
  type Rooms,
  type Stretch,
  lengthInWords,
  minuteIn,
  openOn,
  standingOn,
  timeIn,
  timeOf,
  weekdayName,
  weekdayShort,
} from '@/core/diary';
import { dayIn, dayInWords } from '@/core/record';
import { Beside, opener } from '@/parts/Beside';
import { Button, LinkButton } from '@/parts/Button';
import { actFor } from '@/parts/shell/keys';
import { NotComing } from '../diary/NotComing';
import { type Expecting } from '../diary/view';
import { type Move } from './useMove';
import {
  type DayKind,
  type Drawn,
  drawnOn,
  freeDrawn,
  labelHeight,
  needLine,
  partOf,
  sizes,
  xOf,
} from './week.geometry';

/** What every day of the week is drawn with. */
export interface WeekFrame {
  rooms: Rooms;
  frame: Stretch;
  /** Of the line, px. */
  width: number;
  today: string;
  bookings: readonly Booking[];
  expecting: Readonly<Record<string, Expecting>>;
  move: Move;
  onChange: (booking: Booking) => void;
}

export const gutter = 104;

/** A day of the week as one ruled line, as long as the rooms are open, thick where somebody is booked. */
export function WeekDay({ day, ...week }: WeekFrame & { day: string }) {
  const { rooms, frame, width, today, bookings, move, expecting } = week;
  const { setNodeRef } = useDroppable({ id: day });
  const kind: DayKind = day < today ? 'past' : day === today ? 'today' : 'to come';
  const standing = standingOn(bookings, day, rooms.zone);
  const drawn = drawnOn(standing, kind, frame, width, rooms.zone);
  const open = openOn(day, rooms);
  const over = labelHeight(drawn, kind);
  const needs = kind === 'past' ? 0 : Math.max(0, ...drawn.map((one) => needsOf(one, expecting, kind).length));
  const height = over + (needs > 0 ? needs * needLine + 14 : 12);
  const off = bookings.filter((one) => one.off !== null && dayIn(one.startsAt, rooms.zone) === day).length;
  const free = kind === 'past' ? [] : freeDrawn(day, bookings, drawn, rooms, frame, width);
  const lifted = move.lifted?.day === day ? move.lifted : null;
  const x = (minute: number) => xOf(minute, frame, width);
  const empty = standing.length === 0 && !lifted;
  return (
    <li
      ref={setNodeRef}
      data-day={day}
      aria-label={`${weekdayName(day)} ${dayInWords(day, today)}`}
      className="flex border-b border-rule"
    >
      <Link
        href={day === today ? '/' : `/?day=${day}`}
        className={`flex min-h-11 shrink-0 flex-col hover:underline ${empty ? 'justify-center' : ''}`}
        style={{ width: gutter, paddingTop: empty ? 0 : Math.max(0, over - 22) }}
      >
        <span className={kind === 'today' ? 'text-2xl font-semibold' : 'text-lg'}>
          {weekdayShort(day)} <span className="text-base font-normal text-ink2">{Number(day.slice(8))}</span>
        </span>
        {(kind === 'today' || off > 0) && (
          <span className="text-sm text-ink2">
            {[...(kind === 'today' ? ['today'] : []), ...(off > 0 ? [`${off} off`] : [])].join(', ')}
          </span>
        )}
      </Link>
      <div className="relative grow" style={{ height: empty ? 44 : height }}>
        {open ? (
          <div
            aria-hidden
            className={`absolute h-4 border-x ${kind === 'past' ? 'border-line' : 'border-ink'}`}
            style={{
              left: partOf(x(open.from), width),
              width: partOf(x(open.to) - x(open.from), width),
              top: (empty ? 22 : over) - 8,
            }}
          >
            <div className={`mt-[7px] border-t ${kind === 'past' ? 'border-line' : 'border-ink'}`} />
          </div>
        ) : (
          <p className="absolute text-ink2" style={{ left: 0, top: empty ? 10 : over - 12 }}>
            {standing.length > 0 ? '' : 'closed'}
          </p>
        )}
        {free.map((gap) => (
          <p
            key={gap.from}
            className="absolute truncate pr-2 text-right text-sm text-ink2"
            style={{ left: partOf(gap.x, width), width: partOf(gap.width, width), top: (empty ? 22 : over) - 22 }}
          >
            free {lengthInWords(gap.to - gap.from)}
          </p>
        ))}
        {kind === 'today' && (
          <Now at={x(minuteIn(rooms.now, rooms.zone))} width={width} top={empty ? 22 : over} names={drawn} />
        )}
        <ul>
          {drawn.map((one) => (
            <BookingMark key={one.booking.id} one={one} kind={kind} over={over} {...week} />
          ))}
        </ul>
        {lifted && (
          <div
            aria-hidden
            className="pointer-events-none absolute z-10 rounded-one border-2 border-ink bg-paper px-2 py-0.5"
            style={{
              left: partOf(x(lifted.minute), width),
              minWidth: x(lifted.minute + lifted.booking.minutes) - x(lifted.minute),
              top: Math.max(0, (empty ? 22 : over) - 26),
            }}
          >
            <span className="font-mono">{timeOf(lifted.minute)}</span>{' '}
            <span className="font-semibold whitespace-nowrap">{lifted.booking.name}</span>
          </div>
        )}
      </div>
    </li>
  );
}

/** Half the word and some air. */
const nowPx = 16;

/** Where it is now; in words where no name stands in the way. */
function Now({ at, width, top, names }: { at: number; width: number; top: number; names: readonly Drawn[] }) {
  if (at < 0 || at > width) return null;
  const free = names.every(({ x, labelWidth }) => at < x - nowPx || at > x + labelWidth + nowPx);
  return (
    <div
      aria-hidden
      className="absolute border-l-2 border-ink"
      // Beside a name it does not reach into it.
      style={{ left: partOf(at - 1, width), ...(free ? { top: top - 14, height: 28 } : { top: top - 4, height: 18 }) }}
    >
      {free && <span className="absolute -top-4 -translate-x-1/2 text-sm leading-4 text-ink2">now</span>}
    </div>
  );
}

/** A booking on its line: the time and the name on a stem, the bar, and what to mind under it. */
function BookingMark({
  one,
  kind,
  over,
  rooms,
  width: lineWidth,
  expecting,
  move,
  onChange,
}: WeekFrame & { one: Drawn; kind: DayKind; over: number }) {
  const { booking, lines, x, width, labelWidth, foot, height, room } = one;
  const { clientId, name, note, minutes, startsAt } = booking;
  const [open, setOpen] = useState(false);
  const anchor = useRef<HTMLButtonElement>(null);
  const size = sizes[kind];
  const lifted = move.lifted?.booking.id === booking.id;
  const known = expecting[clientId] ?? null;
  const { setNodeRef, listeners } = useDraggable({ id: booking.id, data: { booking } });
  const top = over - foot - height;
  const time = timeIn(startsAt, rooms.zone);
  const until = timeIn(Date.parse(startsAt) + minutes * 60_000, rooms.zone);
  const cautions = known?.cautions ?? [];
  const moving = actFor('week', {
    earlier: () => move.by(booking, -15, 0),
    later: () => move.by(booking, 15, 0),
    dayBefore: () => move.by(booking, 0, -1),
    dayAfter: () => move.by(booking, 0, 1),
  });
  const settling = actFor('lifted', { put: lifted ? move.put : undefined, leave: lifted ? move.leave : undefined });
  return (
    <li>
      <button
        ref={(node) => {
          setNodeRef(node);
          anchor.current = node;
        }}
        {...opener(open, setOpen)}
        {...listeners}
        onKeyDown={(event) => {
          const act = moving(event) ?? settling(event);
          if (!act) return;
          event.preventDefault();
          act();
        }}
        aria-describedby="moving"
        className="absolute flex touch-manipulation flex-col items-start text-left"
        style={{
          left: partOf(x, lineWidth),
          top,
          width: Math.max(labelWidth, width, 44),
          height: Math.max(44, over - top + size.bar / 2 + 4),
        }}
      >
        <span
          aria-hidden
          className={`absolute top-0 left-0 border-l ${kind === 'past' ? 'border-line' : 'border-ink'}`}
          style={{ height: over - top }}
        />
        <span className="block pl-2">
          <span
            className={kind === 'past' ? 'sr-only' : 'block font-mono text-ink2'}
            style={kind === 'past' ? {} : { fontSize: 15, lineHeight: `${size.time}px` }}
          >
            {time}
          </span>{' '}
          {lines.map((line, i) => (
            <Fragment key={line}>
              {i > 0 && ' '}
              <span
                className={`block whitespace-nowrap ${kind === 'past' || lifted ? 'text-ink2' : 'font-semibold'}`}
                style={{ fontSize: size.name, lineHeight: `${size.line}px` }}
              >
                {line}
              </span>
            </Fragment>
          ))}
          <span className="sr-only">
            {' '}
            on {weekdayName(dayIn(startsAt, rooms.zone))} until {until}
          </span>
        </span>
        <span
          aria-hidden
          className={`absolute left-0 ${
            lifted ? 'border-2 border-dotted border-ink' : kind === 'past' ? 'bg-line' : 'bg-ink'
          }`}
          style={{ width: Math.max(4, width), height: size.bar, top: over - top - size.bar / 2 }}
        />
      </button>
      <Beside
        anchor={anchor}
        open={open}
        onOpenChange={setOpen}
        label={`${name}, ${time}`}
        className="z-40 w-96 space-y-3 p-4"
      >
        <p className="text-lg font-semibold">{name}</p>
        <p>
          {weekdayName(dayIn(startsAt, rooms.zone))}, {time} to {until}
          {note && `: ${note}`}
        </p>
        {cautions.length > 0 && (
          <p className="flex items-center gap-1.5 font-semibold text-caution">
            <TriangleAlert size={16} aria-hidden className="shrink-0" />
            {cautions.join(' · ')}
          </p>
        )}
        {known?.aim && <p className="text-ink2">{known.aim}.</p>}
        <div className="flex flex-wrap gap-2">
          <LinkButton href={`/clients/${clientId}`}>Open</LinkButton>
          <Button
            onClick={() => {
              setOpen(false);
              onChange(booking);
            }}
          >
            Change
          </Button>
          <NotComing booking={booking} zone={rooms.zone} />
        </div>
      </Beside>
      {kind !== 'past' && (
        <div
          className="pointer-events-none absolute overflow-hidden text-sm"
          style={{ left: partOf(x, lineWidth), top: over + 7, width: Math.max(18, room), lineHeight: `${needLine}px` }}
        >
          {needsOf(one, expecting, kind).map(({ words, caution }) =>
            caution ? (
              <p key={words} className="flex items-center gap-1 font-semibold text-caution">
                <TriangleAlert size={14} aria-hidden className="shrink-0" />
                <span className={room < leastRoom ? 'sr-only' : 'truncate'}>{words}</span>
              </p>
            ) : (
              <p key={words} className="truncate">
                {words}
              </p>
            ),
          )}
        </div>
      )}
    </li>
  );
}

/** Where there is less room than this under a booking, its words are in its own little window only. */
const leastRoom = 70;

/** What to mind of somebody, as far as there is room: their cautions, what is noted with the booking, the aim of last time. */
function needsOf(
  { booking, room }: Drawn,
  expecting: WeekFrame['expecting'],
  kind: DayKind,
): { words: string; caution: boolean }[] {
  const { cautions = [], aim = null } = expecting[booking.clientId] ?? {};
  const caution = cautions.length > 0 ? [{ words: cautions.join(', '), caution: true }] : [];
  if (room < leastRoom) return caution;
  const others = [booking.note, aim ?? ''].filter((words) => words !== '');
  return [...caution, ...others.slice(0, kind === 'today' ? 2 : 1).map((words) => ({ words, caution: false }))];
}
