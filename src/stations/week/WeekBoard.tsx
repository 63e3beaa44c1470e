'use client';

import {
  DndContext,
  type DragEndEvent,
  type DragMoveEvent,
  MouseSensor,
  TouchSensor,
  pointerWithin,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { ChevronLeft, ChevronRight } from 'lucide-react';
import { Link } from '@/parts/Link';
import { useRouter } from 'next/navigation';
import { useCallback } from 'react';
import {
  type Booking,
  type RecheckDue,
  type Rooms,
  freeOn,
  lengthInWords,
  minuteIn,
  placingInWords,
  standingOn,
  timeIn,
  weekdayName,
} from '@/core/diary';
import { addDays, dayInWords } from '@/core/record';
import { Button, LinkButton } from '@/parts/Button';
import { type ScreenPoint, pointOf, useLastPoint } from '@/parts/useLastPoint';
import { useWidth } from '@/parts/useWidth';
import { BookingDialog } from '../diary/BookingDialog';
import { useBookingForm } from '../diary/useBookingForm';
import { useDiary, useRooms, useTurnOver } from '../diary/useDiary';
import { type DiaryView } from '../diary/view';
import { CalendarFiles } from './CalendarFiles';
import { RecheckList, WaitingList } from './WeekLists';
import { WeekDay, gutter } from './WeekDay';
import { useMove } from './useMove';
import { frameOf, minutesOf, partOf, xOf } from './week.geometry';

/** The day whose line lies under a point of the screen. */
const dayUnder = ({ x, y }: ScreenPoint): string | undefined =>
  document
    .elementsFromPoint(x, y)
    .find((element) => element.closest('[data-day]'))
    ?.closest<HTMLElement>('[data-day]')?.dataset.day;

/** When a press carries a booking off. Said once: new ones at each drawing have every day drawn anew. */
const byMouse = { activationConstraint: { distance: 6 } };
const byTouch = { activationConstraint: { delay: 180, tolerance: 8 } };

/** The week: a ruled line a day, who comes when and what to mind, moved by dragging or by keys. */
export function WeekBoard({
  view,
  days,
  rechecks,
}: {
  view: DiaryView;
  /** The seven days, from Monday. */
  days: readonly string[];
  rechecks: readonly RecheckDue[];
}) {
  const router = useRouter();
  const { today, settings, expecting } = view;
  const diary = useDiary(view.diary);
  const rooms = useRooms(view);
  const turn = useCallback(() => router.refresh(), [router]);
  useTurnOver(today, settings.timeZone, turn);
  const move = useMove(diary, rooms, days);
  const { wanted, ask, form } = useBookingForm(view);
  const sensors = useSensors(useSensor(MouseSensor, byMouse), useSensor(TouchSensor, byTouch));
  const [box, boxWidth] = useWidth(1096);
  const width = boxWidth - gutter;
  const frame = frameOf(days, diary.bookings, rooms);
  const hours = Array.from({ length: (frame.to - frame.from) / 60 + 1 }, (_, i) => frame.from + i * 60);
  const [first, last] = [days[0]!, days.at(-1)!];

  const lastPoint = useLastPoint();
  const carried = (booking: Booking, day: string, px: number) =>
    move.to(booking, day, minuteIn(booking.startsAt, rooms.zone) + minutesOf(px, frame, width));
  const bookingOf = ({ active }: DragMoveEvent) => (active.data.current as { booking: Booking }).booking;
  const drag = (event: DragMoveEvent) => {
    if (event.over) carried(bookingOf(event), String(event.over.id), event.delta.x);
  };
  const drop = (event: DragEndEvent) => {
    const [from, at] = [pointOf(event.activatorEvent), lastPoint()];
    const day = at && dayUnder(at);
    if (from && at && day) carried(bookingOf(event), day, at.x - from.x);
  };
  const week = { rooms, frame, width, today, bookings: diary.bookings, expecting, move };
  const change = (booking: Booking) => ask({ changes: booking });

  return (
    <>
      {move.told && move.lifted ? (
        <div className="mb-3 flex min-h-18 flex-wrap items-center justify-between gap-x-6 gap-y-2">
          <div>
            <h1 className="flex min-h-11 items-center text-2xl">
              {move.lifted.booking.name} to {move.told.to}
            </h1>
            <p className={move.told.placing.against.length > 0 ? 'font-semibold text-caution' : ''}>
              {placingInWords(move.told.placing)}
            </p>
          </div>
          <div className="flex gap-2">
            <Button look="strong" onClick={move.put}>
              Put them here{move.told.placing.against.length > 0 && ' all the same'}
            </Button>
            <Button onClick={move.leave}>Leave {move.told.from}</Button>
          </div>
        </div>
      ) : (
        <div className="mb-3 flex min-h-18 flex-wrap items-center justify-between gap-x-6 gap-y-2">
          <div>
            <div className="flex items-center">
              <h1 className="text-2xl">
                {dayInWords(first, today)} to {dayInWords(last, today)}
              </h1>
              <WeekLink to={addDays(first, -7)} name="The week before">
                <ChevronLeft size={22} aria-hidden />
              </WeekLink>
              <WeekLink to={addDays(first, 7)} name="The week after">
                <ChevronRight size={22} aria-hidden />
              </WeekLink>
            </div>
            <p className="text-ink2">{weekInWords(days, diary.bookings, rooms)}</p>
          </div>
          <div className="flex flex-wrap gap-2">
            <LinkButton href="/">Today</LinkButton>
            {!days.includes(today) && <LinkButton href="/week">This week</LinkButton>}
            <CalendarFiles rooms={rooms} bookings={diary.bookings} />
            <Button look="strong" onClick={() => ask({ day: days.includes(today) ? today : first })}>
              Book a time
            </Button>
          </div>
        </div>
      )}
      <p id="moving" className="sr-only">
        Arrow keys move it by a quarter of an hour and by days; Enter puts it down, Escape leaves it.
      </p>
      <p role="status" className="sr-only">
        {move.told && move.lifted
          ? `${move.lifted.booking.name} to ${move.told.to}. ${placingInWords(move.told.placing)}`
          : ''}
      </p>

      <div ref={box} className="pr-3 [overflow-x:clip] max-md:hidden">
        <div className="relative h-6" style={{ marginLeft: gutter }} aria-hidden>
          {hours.map((minute) => (
            <span
              key={minute}
              className="absolute -translate-x-1/2 border-b border-transparent font-mono text-sm text-ink2"
              style={{ left: partOf(xOf(minute, frame, width), width) }}
            >
              {minute / 60}
            </span>
          ))}
        </div>
        <DndContext
          id="week"
          sensors={sensors}
          collisionDetection={pointerWithin}
          onDragMove={drag}
          onDragEnd={drop}
          onDragCancel={move.leave}
        >
          <ol className="border-t border-rule">
            {days.map((day) => (
              <WeekDay key={day} day={day} {...week} onChange={change} />
            ))}
          </ol>
        </DndContext>
      </div>
      <WeekAsList days={days} view={view} bookings={diary.bookings} rooms={rooms} onChange={change} />

      <div className="mt-6 grid gap-x-10 gap-y-6 border-t-2 border-ink pt-3 md:grid-cols-2">
        <WaitingList
          waiting={diary.waiting.filter(({ gone }) => !gone)}
          days={days}
          bookings={diary.bookings}
          rooms={rooms}
          onOffer={ask}
        />
        <RecheckList due={rechecks} today={today} />
      </div>
      <BookingDialog {...form} wanted={wanted} diary={diary} rooms={rooms} />
    </>
  );
}

const WeekLink = ({ to, name, children }: { to: string; name: string; children: React.ReactNode }) => (
  <Link
    href={`/week?of=${to}`}
    aria-label={name}
    className="ml-1 grid size-11 place-items-center rounded-one hover:bg-leaf"
  >
    {children}
  </Link>
);

function weekInWords(days: readonly string[], bookings: readonly Booking[], rooms: Rooms): string {
  const booked = days.reduce((sum, day) => sum + standingOn(bookings, day, rooms.zone).length, 0);
  const free = days
    .flatMap((day) => freeOn(day, bookings, rooms, 30))
    .reduce((sum, { from, to }) => sum + to - from, 0);
  return `${booked === 0 ? 'Nobody is' : booked} booked${free > 0 ? `, ${lengthInWords(free)} free` : ''}.`;
}

/** The week where there is no room for lines: by days, by time. */
function WeekAsList({
  days,
  view,
  bookings,
  rooms,
  onChange,
}: {
  days: readonly string[];
  view: DiaryView;
  bookings: readonly Booking[];
  rooms: Rooms;
  onChange: (booking: Booking) => void;
}) {
  return (
    <div className="space-y-5 md:hidden">
      {days.map((day) => {
        const standing = standingOn(bookings, day, rooms.zone);
        return (
          <section key={day} aria-labelledby={`list-${day}`}>
            <h2 id={`list-${day}`} className="border-b border-ink text-lg">
              <Link href={day === view.today ? '/' : `/?day=${day}`} className="flex min-h-11 items-center">
                {weekdayName(day)} {dayInWords(day, view.today)}
              </Link>
            </h2>
            {standing.length === 0 && <p className="py-2 text-ink2">Nobody.</p>}
            <ul>
              {standing.map((booking) => (
                <li key={booking.id} className="border-b border-rule">
                  <button
                    type="button"
                    className="flex min-h-11 w-full gap-3 py-1.5 text-left"
                    onClick={() => onChange(booking)}
                  >
                    <span className="font-mono">{timeIn(booking.startsAt, rooms.zone)}</span>
                    <span>
                      <span className="font-semibold">{booking.name}</span>, {booking.minutes} min
                      <span className="block text-sm text-caution">
                        {view.expecting[booking.clientId]?.cautions.join(', ')}
                      </span>
                    </span>
                  </button>
                </li>
              ))}
            </ul>
          </section>
        );
      })}
    </div>
  );
}
