import { randomUUID } from 'node:crypto';
import {
  bookingsBetween,
  bookingsOff,
  homeToldOf,
  lookedAtBetween,
  nextBookings,
  nextNotesOf,
  unsignedVisits,
  waitingList,
} from '.';
import { type TestStudio, now, testStudio, today } from './fixtures';

let studio: TestStudio;
beforeEach(() => {
  studio = testStudio('diary');
  studio.take('settings.change', { timeZone: 'UTC' });
});
afterEach(() => studio.close());

const hourMs = 3_600_000;
const at = (hour: number) => `${today}T${String(hour).padStart(2, '0')}:00:00.000Z`;
const all = () => bookingsBetween(studio.store, '0', '9999');
const book = (clientId: string, hour: number, rest: object = {}) => {
  const appointmentId = randomUUID();
  const payload = { appointmentId, clientId, startsAt: at(hour), minutes: 45, note: '', seriesId: null, ...rest };
  studio.take('appointment.add', payload);
  return appointmentId;
};
const change = (appointmentId: string, hour: number, seen: number) =>
  studio.record('appointment.change', {
    appointmentId,
    startsAt: at(hour),
    minutes: 30,
    note: 'stool',
    seen: at(seen),
  });

describe('a booking is moved', () => {
  test('from where it was seen; from where it no longer is, it is refused with where it is now', () => {
    const { clientId } = studio.person('Ada');
    const id = book(clientId, 9);
    expect(change(id, 11, 9)).toMatchObject({ state: 'saved' });
    expect(all()[0]).toMatchObject({ startsAt: at(11), minutes: 30, note: 'stool' });
    const late = change(id, 14, 9);
    expect(late).toMatchObject({ state: 'refused', code: 'stale', why: expect.stringContaining('25 November, 11:00') });
    // Moved to just there by two hands, nobody is told anything.
    expect(change(id, 11, 9)).toMatchObject({ state: 'saved' });
    expect(all()[0]!.startsAt).toBe(at(11));
  });

  test('not over another of the same person, nor once it is off; brought back, it can be', () => {
    const { clientId } = studio.person('Ada');
    const id = book(clientId, 9);
    book(clientId, 15);
    expect(change(id, 15, 9)).toMatchObject({ state: 'refused', code: 'known already' });
    studio.take('appointment.cancel', { appointmentId: id, how: 'cancelled', reason: '' });
    expect(change(id, 11, 9)).toMatchObject({ state: 'refused', code: 'gone' });
    studio.take('appointment.restore', { appointmentId: id });
    expect(change(id, 11, 9)).toMatchObject({ state: 'saved' });
    expect(change(randomUUID(), 11, 9)).toMatchObject({ state: 'refused', code: 'gone' });
  });

  test('a booking is not brought back over one made meanwhile', () => {
    const { clientId } = studio.person('Ada');
    const id = book(clientId, 9);
    studio.take('appointment.cancel', { appointmentId: id, how: 'cancelled', reason: '' });
    book(clientId, 9);
    expect(studio.record('appointment.restore', { appointmentId: id })).toMatchObject({ code: 'known already' });
  });
});

test('an outbox of before this version books and calls off as it always did', () => {
  const { clientId } = studio.person('Ada');
  const appointmentId = randomUUID();
  const before = { appointmentId, clientId, startsAt: at(9), minutes: 45, note: '' };
  studio.take('appointment.add', before as never);
  studio.take('appointment.cancel', { appointmentId } as never);
  expect(all()).toMatchObject([{ seriesId: null, off: { how: 'cancelled', reason: '' } }]);
});

test('what came to nothing is told with its reason; what was merely taken out again is not', () => {
  const { clientId } = studio.person('Ada');
  const cancel = (hour: number, how: 'cancelled' | 'did not come', reason: string) =>
    studio.take('appointment.cancel', { appointmentId: book(clientId, hour), how, reason });
  cancel(7, 'did not come', '');
  cancel(8, 'cancelled', 'ill');
  cancel(9, 'cancelled', '');
  book(clientId, 6);
  const told = bookingsOff(studio.store, clientId, at(10), 5).map(({ startsAt, off }) => [
    startsAt,
    off.how,
    off.reason,
  ]);
  expect(told).toEqual([
    [at(8), 'cancelled', 'ill'],
    [at(7), 'did not come', ''],
  ]);
});

test('when somebody comes next is the first booking that stands', () => {
  const { clientId } = studio.person('Ada');
  studio.take('appointment.cancel', { appointmentId: book(clientId, 12), how: 'cancelled', reason: '' });
  book(clientId, 16);
  book(clientId, 14);
  book(clientId, 8);
  expect(nextBookings(studio.store, [clientId], new Date(now).toISOString()).get(clientId)).toBe(at(14));
});

test('who waits and what is to be remembered go and come back; what went long ago is not told', () => {
  const { clientId } = studio.person('Ada');
  const [waitingId, noteId] = [randomUUID(), randomUUID()];
  studio.take('waiting.add', { waitingId, clientId, minutes: 30, wish: 'mornings', note: '' });
  studio.take('nextTime.add', { noteId, clientId, text: ' the stool ' });
  const since = new Date(now - hourMs).toISOString();
  const waits = (from = since) => waitingList(studio.store, from).map(({ gone }) => gone);
  const notes = (from = since) => nextNotesOf(studio.store, [clientId], from).map(({ text, done }) => [text, done]);
  expect([waits(), notes()]).toEqual([[false], [['the stool', false]]]);
  studio.take('waiting.remove', { waitingId });
  studio.take('nextTime.done', { noteId });
  expect([waits(), notes()]).toEqual([[true], [['the stool', true]]]);
  const later = new Date(now + hourMs).toISOString();
  expect([waits(later), notes(later)]).toEqual([[], []]);
  studio.take('waiting.restore', { waitingId });
  studio.take('nextTime.undone', { noteId });
  expect([waits(later), notes(later)]).toEqual([[false], [['the stool', false]]]);
  expect(studio.record('nextTime.done', { noteId: randomUUID() })).toMatchObject({ code: 'gone' });
});

test('what was done at home belongs to the visit it went home with, also once that is signed; the newest counts', () => {
  const { visitId } = studio.person('Ada');
  studio.take('note.sign', { visitId, text: 'Done.', home: ['calm-breath'], revision: 0 });
  const tell = (answer: 'most days' | 'not done') =>
    studio.take('home.told', { answerId: randomUUID(), visitId, drillId: 'calm-breath', answer });
  tell('not done');
  tell('most days');
  expect(homeToldOf(studio.store, visitId)).toEqual({ 'calm-breath': 'most days' });
});

test('whose recheck may be due: the newest visit in which anything was looked at', () => {
  const { clientId, visitId } = studio.person('Ada');
  const look = { lookId: randomUUID(), visitId, protocol: 'marker' as const, moment: 'before' as const };
  const raw = { position: 'sitting', measure: 'ease', readings: [4, 5] };
  const due = () => lookedAtBetween(studio.store, '2026-01-01', '2026-12-31').map((one) => one.visitId);
  expect(due()).toEqual([]);
  studio.take('look.save', { ...look, takenAt: at(10), raw, revision: 0 });
  expect(due()).toEqual([visitId]);
  studio.take('visit.end', { visitId });
  studio.take('visit.start', { visitId: randomUUID(), clientId }, now + hourMs);
  expect(due()).toEqual([visitId]);
  expect(lookedAtBetween(studio.store, '2026-01-01', today)).toEqual([]);
  studio.take('look.retract', { lookId: look.lookId });
  expect(due()).toEqual([]);
});

test('a visit ended without its signature is told until it has one', () => {
  const { visitId } = studio.person('Ada');
  const unsigned = () => unsignedVisits(studio.store, '2026-11-01').map(({ id }) => id);
  expect(unsigned()).toEqual([]);
  studio.take('visit.end', { visitId });
  expect(unsigned()).toEqual([visitId]);
  studio.take('note.save', { visitId, text: 'Half a', home: [], revision: 0 });
  expect(unsigned()).toEqual([visitId]);
  studio.take('note.sign', { visitId, text: 'Half an hour.', home: [], revision: 1 });
  expect(unsigned()).toEqual([]);
});
