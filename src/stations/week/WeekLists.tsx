'use client';

import { counted } from '@/core/reasons';
import { type WishId, addDays, dayIn, dayInWords, daysBetween, wishIds } from '@/core/record';
import { Link } from '@/parts/Link';
import { useState } from 'react';
import { type Booking, type RecheckDue, type Rooms, type Waiting, offerFor, timeOf, weekdayName } from '@/core/diary';
import { newId, send } from '@/keep';
import { Button } from '@/parts/Button';
import { ChoiceChips } from '@/parts/Chips';
import { say } from '@/parts/say';
import { Stepper } from '@/parts/Stepper';
import { type Wanted } from '../diary/BookingForm';
import { PersonPicker } from '../diary/PersonPicker';

/** Who wants a time and has none, with the first that would suit in the week shown. */
export function WaitingList({
  waiting,
  days,
  bookings,
  rooms,
  onOffer,
}: {
  waiting: readonly Waiting[];
  days: readonly string[];
  bookings: readonly Booking[];
  rooms: Rooms;
  onOffer: (wanted: Partial<Wanted>) => void;
}) {
  const [adding, setAdding] = useState(false);
  const today = dayIn(rooms.now, rooms.zone);
  return (
    <section aria-labelledby="waiting">
      <div className="flex items-center justify-between gap-3">
        <h2 id="waiting" className="text-lg">
          Waiting
        </h2>
        <Button look="quiet" onClick={() => setAdding(!adding)}>
          {adding ? 'Leave it' : 'Add somebody'}
        </Button>
      </div>
      {adding && <AddWaiting onDone={() => setAdding(false)} />}
      {waiting.length === 0 && !adding && <p className="text-ink2">Nobody waits for a time.</p>}
      <ul>
        {waiting.map((one) => {
          const offer = offerFor(one, days, bookings, rooms);
          const since = Math.max(0, daysBetween(dayIn(one.at, rooms.zone), today));
          return (
            <li key={one.id} className="flex flex-wrap items-center gap-x-3 border-t border-rule py-1">
              <span className="basis-full pt-1">
                <span className="font-semibold">{one.name}</span>, {one.minutes} min, {one.wish},{' '}
                {since === 0 ? 'since today' : counted(since, 'day')}
                {one.note && `: ${one.note}`}.
              </span>
              {offer ? (
                <Button
                  look="quiet"
                  className="px-0!"
                  onClick={() =>
                    onOffer({
                      client: { id: one.clientId, name: one.name },
                      day: offer.day,
                      time: timeOf(offer.from),
                      minutes: one.minutes,
                      note: one.note,
                      every: 0,
                      waitingId: one.id,
                    })
                  }
                >
                  Offer {offer.day === today ? 'today' : weekdayName(offer.day)} {timeOf(offer.from)}
                  <span className="sr-only"> to {one.name}</span>
                </Button>
              ) : (
                <span className="text-ink2">Nothing fits this week.</span>
              )}
              <Button
                look="quiet"
                className="px-0!"
                onClick={() => {
                  send('waiting.remove', { waitingId: one.id });
                  say(`${one.name} is off the list.`, () => send('waiting.restore', { waitingId: one.id }));
                }}
              >
                Off the list<span className="sr-only">: {one.name}</span>
              </Button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

function AddWaiting({ onDone }: { onDone: () => void }) {
  const [minutes, setMinutes] = useState(45);
  const [wish, setWish] = useState<WishId>('any time');
  return (
    <div className="my-2 space-y-3 border-l-4 border-ink pl-4">
      <div className="flex flex-wrap gap-4">
        <ChoiceChips
          label="Can come"
          value={wish}
          choices={wishIds.map((id) => ({ value: id, label: id }))}
          onChange={setWish}
        />
        <Stepper label="For" value={minutes} unit="min" min={5} max={240} step={5} onChange={setMinutes} />
      </div>
      <PersonPicker
        label="Who waits"
        error={null}
        onChoose={({ id: clientId }) => {
          send('waiting.add', { waitingId: newId(), clientId, minutes, wish, note: '' });
          onDone();
        }}
      />
    </div>
  );
}

/** Who is to be looked at again and was not. */
export function RecheckList({ due, today }: { due: readonly RecheckDue[]; today: string }) {
  return (
    <section aria-labelledby="rechecks">
      <h2 id="rechecks" className="flex min-h-11 items-center text-lg">
        Recheck overdue
      </h2>
      {due.length === 0 && <p className="text-ink2">Nobody’s recheck is overdue.</p>}
      <ul>
        {due.map(({ clientId, name, what, overDays, comes }) => (
          <li key={clientId} className="border-t border-rule py-2">
            <Link href={`/clients/${clientId}`} className="font-semibold hover:underline">
              {name}
            </Link>
            , {what}, {counted(overDays, 'day')} over. {comes ? `Comes ${comesInWords(comes, today)}.` : 'Not booked.'}
          </li>
        ))}
      </ul>
    </section>
  );
}

const comesInWords = (day: string, today: string) =>
  day === today ? 'today' : day <= addDays(today, 6) ? `on ${weekdayName(day)}` : `on ${dayInWords(day, today)}`;
