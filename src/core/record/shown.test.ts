import { visitOf } from '../fixtures';
import { blankRaw } from '../look';
import { type Fact, evaluateGates, knownClient, pathState, redFlagIds } from '../safety';
import { type CommandKind, type Payload, type Recorded, type Said, defaultSettings, settingsWith, shownWith } from '.';

const today = '2026-11-23';
let made = 0;
const fact = (key: Fact['key'], value: unknown, minute = 0): Fact => ({
  id: `fact-${(made += 1)}`,
  key,
  value,
  at: `${today}T09:${String(minute).padStart(2, '0')}:00.000Z`,
  day: today,
});

function served(facts: Fact[], rest: Partial<Recorded> = {}): Recorded {
  const known = knownClient(facts);
  return {
    id: 'client',
    name: 'Ned Quillwater',
    today,
    settings: { ...defaultSettings, timeZone: 'Europe/London' },
    known,
    gates: evaluateGates(known.profile, today),
    path: pathState(known.profile, today, []),
    visit: visitOf(today),
    history: { facts, entries: facts.length, days: 1 },
    consent: [],
    gating: { floors: [], counts: [] },
    asOf: 10,
    ...rest,
  };
}
const say = <K extends CommandKind>(kind: K, payload: Payload<K>, place: number | null = null, minute = 30): Said => ({
  id: `said-${(made += 1)}`,
  kind,
  payload,
  at: `${today}T09:${minute}:00.000Z`,
  place,
});
const add = (key: Fact['key'], value: unknown, place: number | null = null, factId = `new-${(made += 1)}`) =>
  say('fact.add', { factId, clientId: 'client', key, value, basedOn: null }, place);

describe('what was said in this browser is laid over the page', () => {
  test('a page that was made later needs nothing of it, and is not made anew', () => {
    const page = served([]);
    expect(shownWith(page, [add('goal', 'old', 10), add('goal', 'older', 3)])).toBe(page);
    expect(shownWith(page, [])).toBe(page);
  });

  test('what the server has taken in after the page was made still shows, and what it has not', () => {
    const page = served([fact('goal', 'old')]);
    expect(shownWith(page, [add('goal', 'taken', 11)]).known.texts.goal).toBe('taken');
    expect(shownWith(page, [add('goal', 'waiting')]).known.texts.goal).toBe('waiting');
    expect(shownWith(page, [add('goal', 'first', 11), add('goal', 'second')]).known.texts.goal).toBe('second');
  });

  test('gates, path and name follow from it', () => {
    const page = served([]);
    const shown = shownWith(page, [
      add('answer:pregnancy', { value: 'yes', weekOnDay: 29 }),
      add('emergency', { present: [] }),
      add('redFlags', { present: [] }),
      add('name', 'Ada Fenwharf'),
    ]);
    expect(page.path.state).toBe('not asked');
    expect(shown.path.state).toBe('open');
    expect(shown.name).toBe('Ada Fenwharf');
    expect(shown.gates.gates.some(({ component, level }) => component === 'flatSupine' && level === 'block')).toBe(
      true,
    );
    expect(page.gates.gates.some(({ level }) => level === 'block')).toBe(false);
  });

  test('of somebody else it changes nothing', () => {
    const page = served([]);
    const other = say('fact.add', { factId: 'x', clientId: 'another', key: 'goal', value: 'theirs', basedOn: null });
    expect(shownWith(page, [other])).toBe(page);
  });

  test('taken back, what was there before counts again: said here or served', () => {
    const before = [fact('goal', 'first', 1), fact('goal', 'second', 2), fact('touch', 'no', 3)];
    const page = served(before);
    const factId = 'mine';
    expect(
      shownWith(page, [add('goal', 'third', null, factId), say('fact.retract', { factId })]).known.texts.goal,
    ).toBe('second');
    const back = shownWith(page, [say('fact.retract', { factId: before[1]!.id })]);
    expect([back.known.texts.goal, back.known.profile.touch]).toEqual(['first', 'no']);
  });

  test('a sign stays open through later answers, and is gone when it is taken back', () => {
    const flag = fact('redFlags', { present: [redFlagIds[0]] }, 1);
    const present = [redFlagIds[0]];
    const page = served([fact('emergency', { present: [] }), flag]);
    const later = shownWith(page, [add('redFlags', { present: [] })]);
    expect(later.known.profile.redFlags?.present).toEqual(present);
    const back = shownWith(page, [say('fact.retract', { factId: flag.id }), add('redFlags', { present: [] })]);
    expect(back.known.profile.redFlags?.present).toEqual([]);
  });

  // Found on reading it again: whatever was taken back, signs were put together anew from the newest answer of each list alone.
  test('what is taken back besides leaves the signs as they stand: an older one does not close by it', () => {
    const [one, other] = redFlagIds;
    const before = [
      fact('emergency', { present: [] }, 1),
      fact('redFlags', { present: [one] }, 2),
      fact('redFlags', { present: [] }, 3),
      fact('goal', 'Sing longer phrases', 4),
    ];
    const back = (facts: Fact[], gone: Fact, rest: Partial<Recorded> = {}) =>
      shownWith(served(facts, rest), [say('fact.retract', { factId: gone.id })]);
    expect(served(before).path.state).toBe('red flag');
    const goal = before.at(-1)!;
    expect(back(before, goal).path.state).toBe('red flag');
    expect(back(before, goal).known.texts.goal).toBe('');
    // Also where the page shows little of what was said, or nothing.
    const few = { history: { facts: before.slice(-2), entries: before.length, days: 1 } };
    expect(back(before, goal, few).path.state).toBe('red flag');
    expect(back(before, goal, { history: null }).path.state).toBe('red flag');
    expect(back(before, before[2]!, few).known.profile.redFlags!.present).toEqual([one]);
    // A second sign taken back leaves the first; the first taken back, none is left.
    const second = fact('redFlags', { present: [other] }, 5);
    expect(back([...before, second], second).known.profile.redFlags!.present).toEqual([one]);
    expect(back(before, before[1]!).path.state).toBe('open');
  });

  test('a clearance taken back opens what it had cleared, however little the page shows of it', () => {
    const before = [
      fact('emergency', { present: [] }, 1),
      fact('redFlags', { present: [redFlagIds[0]] }, 2),
      fact('redFlagClearance', { clinician: 'Dr Quay', reason: 'scan showed no clot' }, 3),
      fact('goal', 'Row again', 4),
    ];
    const shown = [before, before.slice(2), before.slice(3)].map((facts) => ({
      history: { facts, entries: before.length, days: 1 },
    }));
    for (const rest of shown) {
      const page = served(before, rest);
      expect(page.path.state).toBe('open');
      expect(shownWith(page, [say('fact.retract', { factId: before[3]!.id })]).path.state).toBe('open');
      expect(shownWith(page, [say('fact.retract', { factId: before[2]!.id })]).path.state).toBe('red flag');
    }
  });

  test('a look, graded on and taken back; a floor that holds gates at once', () => {
    const page = served([]);
    const look = (revision: number, letsGo: 'yes' | 'no') =>
      say('look.save', {
        lookId: 'floor',
        visitId: 'visit',
        protocol: 'floor',
        moment: 'before',
        takenAt: `${today}T09:20:00.000Z`,
        raw: blankRaw('floor', { letsGo }),
        revision,
      });
    const shown = shownWith(page, [look(0, 'yes'), look(1, 'no')]);
    expect(shown.visit?.looks).toMatchObject([{ id: 'floor', revision: 2, raw: { letsGo: 'no' } }]);
    expect(shown.gates.gates.some(({ condition }) => condition === 'holdingFloor')).toBe(true);
    const back = shownWith(page, [look(0, 'no'), say('look.retract', { lookId: 'floor' })]);
    expect(back.visit?.looks).toEqual([]);
    expect(back.gates.gates.some(({ condition }) => condition === 'holdingFloor')).toBe(false);
  });

  test('a visit begun is there, once, and nothing is taken for another visit’s', () => {
    const page = served([], { visit: null });
    const begun = shownWith(page, [
      say('visit.start', { visitId: 'one', clientId: 'client' }),
      say('visit.start', { visitId: 'two', clientId: 'client' }),
      say('visit.lookList', { visitId: 'another', list: { set: 'first', protocols: [] } }),
    ]);
    expect(begun.visit).toMatchObject({ id: 'one', day: today, endedAt: null, lookList: null });
    const ended = shownWith(begun, [say('visit.end', { visitId: 'one' })]);
    expect(ended.visit?.endedAt).toBe(`${today}T09:30:00.000Z`);
  });

  test('a note signed ends the visit; an addition stands under it once', () => {
    const sign = say('note.sign', { visitId: 'visit', text: 'Well.', home: [], revision: 0 });
    const more = say('note.add', { additionId: 'a', visitId: 'visit', text: 'And slept.' });
    const { visit } = shownWith(served([]), [sign, more, { ...more, id: 'again' }]);
    expect(visit?.endedAt).not.toBeNull();
    expect(visit?.note).toMatchObject({ text: 'Well.', signedAt: sign.at, additions: [{ text: 'And slept.' }] });
  });

  test('a set under a load is there at once, once, and gone as it is taken back', () => {
    const lift = {
      movementId: 'squat',
      hand: 'both' as const,
      kg: 40,
      repetitions: 8,
      effort: null,
      strategy: 'keep' as const,
      breath: 'lost' as const,
      leaked: false,
    };
    const log = say('lift.log', { liftId: 'one', visitId: 'visit', lift });
    const more = say('lift.log', { liftId: 'two', visitId: 'visit', lift: { ...lift, kg: 50 } });
    const other = say('lift.log', { liftId: 'three', visitId: 'another', lift });
    const page = shownWith(served([]), [log, more, other, { ...log, id: 'again' }]);
    expect(page.visit?.lifts.map((one) => one.lift.kg).sort()).toEqual([40, 50]);
    const back = shownWith(page, [say('lift.takeBack', { liftId: 'one', visitId: 'visit' })]);
    expect(back.visit?.lifts.map(({ id }) => id)).toEqual(['two']);
  });

  test('settings, each change on the one before', () => {
    const said = [say('settings.change', { defaultMinutes: 25 }), say('settings.change', { defaultMinutes: 30 }, 11)];
    expect(settingsWith(defaultSettings, 10, said).defaultMinutes).toBe(30);
    expect(settingsWith(defaultSettings, 11, [said[1]!]).defaultMinutes).toBe(defaultSettings.defaultMinutes);
  });
});
