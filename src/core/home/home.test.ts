import fc from 'fast-check';
import ical from 'node-ical';
import { WaveFile } from 'wavefile';
import { cadence, cycleSeconds } from '../cadence';
import { type PlanItem, drillOf, itemFrom } from '../sequence';
import { drills, findDrill } from '../catalogue';
import { gatesOfPerson } from '../fixtures/people';
import {
  type Go,
  type HomePlan,
  type HomeReturn,
  codeLetters,
  codeOf,
  cueSheet,
  dayInPlainWords,
  dayTotals,
  doneLevels,
  feelOf,
  feltLevels,
  goesOf,
  habitIds,
  habits,
  homeCalendar,
  homeFaults,
  homeNotice,
  homeOffers,
  homePlanSchema,
  homeSigns,
  homeWords,
  inOrderOfDay,
  moved,
  readCode,
  readingEase,
  stopWords,
  tonesOf,
  usualAtHome,
  waveOf,
  waveRate,
  withdrawnOf,
} from '.';
import { met } from '../../../scripts/met';

let made = 0;
const newId = () => `0198c6f0-3e52-7b0c-9d0c-${String((made += 1)).padStart(12, '0')}`;

const itemOf = (drillId: string, part: Partial<PlanItem> = {}): PlanItem =>
  itemFrom(findDrill(drillId)!, { id: `item-${drillId}`, ...part });
const belly = itemOf('two-hand-belly', { cadences: [cadence(4, 6)], breaths: 10, setUpSeconds: 20 });
const home = (item: PlanItem, id = item.id) => ({ id, item, cue: '', ...feelOf(item) });
const go = (at: string, itemId = belly.id, words = ''): Go => ({ id: newId(), itemId, at, with: words });
const plan = (part: Partial<HomePlan> = {}): HomePlan => ({
  from: '2026-11-26',
  days: 14,
  wakes: '06:30',
  sleeps: '22:30',
  sits: { from: '09:00', to: '17:00' },
  items: [home(belly)],
  moreReason: '',
  goes: [go('07:00'), go('22:00')],
  calledOff: [],
  ...part,
});

describe('the day', () => {
  test('sums: ten breaths of ten seconds twice a day are 200 s, with 20 s of set-up each 240, and 1400 s a week', () => {
    const totals = dayTotals(plan());
    expect(totals).toEqual({
      goes: 2,
      seconds: 200,
      breaths: 20,
      withSetUpSeconds: 240,
      week: { seconds: 1400, breaths: 140 },
    });
    expect(dayInPlainWords(totals)).toBe('Twice a day, about three minutes in all');
  });

  // Common practice, no published source: 2 to 3 breaths each waking hour; a set on waking and in bed; after 60 to 75 minutes of sitting.
  test.each([
    ['eachHour', 16],
    ['wakingAndBed', 2],
    ['afterSitting', 6],
    ['rechecks', 3],
    ['askHourly', 16],
    ['things', 5],
  ] as const)('%s from 06:30 to 22:30, sitting from 9 to 17: %d times', (habit, times) => {
    expect(goesOf(habit, 'x', plan(), newId)).toHaveLength(times);
  });

  test('whatever the waking hours, also past midnight: every time of every habit is one at which they are awake', () => {
    const time = fc
      .integer({ min: 0, max: 95 })
      .map((n) => `${String(Math.floor(n / 4)).padStart(2, '0')}:${['00', '15', '30', '45'][n % 4]}`);
    fc.assert(
      fc.property(time, time, fc.constantFrom(...habitIds), (wakes, sleeps, habit) => {
        const day = plan({ wakes, sleeps, sits: null });
        const goes = goesOf(habit, belly.id, day, newId);
        const codes = homeFaults({ ...day, goes }).map(({ code }) => code);
        expect(codes).not.toContain('asleep');
        const times = inOrderOfDay({ goes, wakes }).map(({ at }) => at);
        expect(times).toEqual(goes.map(({ at }) => at));
      }),
    );
  });

  test('a time moved stays within the waking day, also where that ends after midnight', () => {
    const late = { wakes: '14:00', sleeps: '01:30' };
    expect(moved(go('01:00'), 15, late).at).toBe('01:15');
    expect(moved(go('01:15'), 60, late).at).toBe('01:30');
    expect(moved(go('14:00'), -15, late).at).toBe('14:00');
    expect(moved(go('00:00'), -15, late).at).toBe('23:45');
  });

  test.each([
    ['nothing chosen', { items: [], goes: [] }, 'nothing'],
    [
      'four without a reason',
      {
        items: ['a', 'b', 'c', 'd'].map((id) => home(belly, id)),
        goes: ['a', 'b', 'c', 'd'].map((id) => go('08:00', id)),
      },
      'more than three',
    ],
    ['asleep', { goes: [go('03:00')] }, 'asleep'],
    ['up and asleep at once', { wakes: '07:00', sleeps: '07:00' }, 'hours'],
    ['three waking hours', { wakes: '07:00', sleeps: '10:00', goes: [go('08:00')] }, 'hours'],
    ['no time', { goes: [] }, 'no time'],
    ['too much', { goes: Array.from({ length: 13 }, (_, at) => go(`${String(8 + at).padStart(2, '0')}:00`)) }, 'load'],
  ] as const)('%s is told of in a sentence', (_, part, code) => {
    const found = homeFaults(plan(part as Partial<HomePlan>));
    expect(found.map((one) => one.code)).toContain(code);
    for (const { what } of found) expect(what).toMatch(/[.]$/);
  });

  test('four with a reason, and a day within bounds, can go', () => {
    const four = ['a', 'b', 'c', 'd'];
    const full = plan({
      items: four.map((id) => home(belly, id)),
      goes: four.map((id) => go('08:00', id)),
      moreReason: 'A week away.',
    });
    expect(homeFaults(full)).toEqual([]);
    expect(homePlanSchema.safeParse(full).success).toBe(true);
  });
});

describe('the code', () => {
  const told: fc.Arbitrary<HomeReturn> = fc.record({
    done: fc.array(fc.array(fc.constantFrom(...doneLevels), { minLength: 3, maxLength: 3 }), {
      minLength: 14,
      maxLength: 14,
    }),
    felt: fc.array(fc.constantFrom(...feltLevels), { minLength: 3, maxLength: 3 }),
    signs: fc.subarray([...homeSigns]),
  });

  test('what was written is read, in any case and with any gaps', () => {
    fc.assert(
      fc.property(told, fc.uuid(), (one, id) => {
        const code = codeOf(one, id);
        expect(code).toMatch(/^(\w{4} ){4}\w{4}$/);
        expect(readCode(code, id)).toEqual({ ok: true, told: one });
        expect(readCode(code.toLowerCase().replaceAll(' ', '-'), id)).toEqual({ ok: true, told: one });
      }),
    );
  });

  test('no letter that could be taken for another is in it', () => {
    const seen = new Set(fc.sample(told, 400).flatMap((one) => [...codeOf(one, newId()).replaceAll(' ', '')]));
    for (const group of ['O0QU', 'I1', 'S5', 'Z2', 'B8', 'G'])
      expect([...group].filter((letter) => seen.has(letter))).toEqual([]);
    expect(seen.size).toBe(23);
  });

  test('every single wrong letter and every swap of neighbours is refused', () => {
    const letters = 'ACDEFHJKLMNPRTVWXY34679';
    for (const one of fc.sample(told, 30)) {
      const id = newId();
      const code = codeOf(one, id).replaceAll(' ', '');
      for (let at = 0; at < codeLetters; at += 1) {
        for (const other of letters) {
          if (other === code[at]) continue;
          const wrong = code.slice(0, at) + other + code.slice(at + 1);
          if (readCode(wrong, id).ok) throw new Error(`${wrong} for ${code}`);
        }
        if (met(at > 0 && code[at] !== code[at - 1])) {
          const swapped = code.slice(0, at - 1) + code[at] + code[at - 1] + code.slice(at + 1);
          expect(readCode(swapped, id).ok).toBe(false);
        }
      }
    }
  });

  test('of another plan, too short, or with a letter there is not: one sentence each', () => {
    const [one] = fc.sample(told, 1);
    const code = codeOf(one!, 'plan one');
    const whyOf = (typed: string, id = 'plan one') => {
      const read = readCode(typed, id);
      return read.ok ? null : read.why;
    };
    expect(whyOf(code, 'plan two')).toMatch(/another plan/);
    expect(whyOf(code.slice(0, -1))).toMatch(/19/);
    expect(whyOf(code.replace(/^./, 'O'))).toMatch(/“O”/);
    expect(whyOf('')).toMatch(/20 letters/);
  });

  test('nothing typed makes it fall over', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), (typed) => expect(typeof readCode(typed, 'plan').ok).toBe('boolean')),
    );
  });
});

describe('the calendar, read by a parser of its own', () => {
  const read = (text: string) =>
    Object.values(ical.sync.parseICS(text)).filter((one) => one.type === 'VEVENT') as ical.VEvent[];
  const file = { made: '2026-11-26T12:00:00.000Z', revision: 3, studio: 'Saltmarsh Movement Rooms' };

  test('each time of the day once, daily for as many days as the plan, with an alarm at its moment', () => {
    const text = homeCalendar(plan(), file);
    const events = read(text);
    expect(events).toHaveLength(2);
    for (const event of events) {
      expect(event.rrule!.all()).toHaveLength(14);
      expect(Number((event as unknown as { sequence: string }).sequence)).toBe(3);
    }
    expect(text.match(/BEGIN:VALARM/g)).toHaveLength(2);
    // Reminded by things they pass, they have the times and no alarm.
    const quiet = homeCalendar(plan({ remind: 'things' }), file);
    expect(quiet).not.toContain('VALARM');
    expect(quiet.match(/BEGIN:VEVENT/g)).toHaveLength(2);
    expect(text.match(/TRIGGER:P(?:T0S|0D)/g)).toHaveLength(2);
  });

  // Clocks in the European Union and Britain go back on 25 October 2026 and forward on 28 March 2027; 2028 has a 29 February.
  test.each([
    ['2026-10-20', ['2026-10-25', '2026-10-26']],
    ['2027-03-22', ['2027-03-28', '2027-03-29']],
    ['2028-02-20', ['2028-02-29', '2028-03-01']],
  ])('from %s on, half past seven stays half past seven over %s', (from, days) => {
    const text = homeCalendar(plan({ from, goes: [go('07:30')] }), file);
    // Floating: no zone and no Z, so that a phone reads it by its own clock (RFC 5545, 3.3.5, form 1; from memory).
    expect(text).toMatch(new RegExp(`DTSTART:${from.replaceAll('-', '')}T073000\r\n`));
    const [event] = read(text);
    const at = event!.rrule!.all().map((one) => one.toISOString());
    expect(at).toHaveLength(14);
    // The parser lays floating times out as the machine's own; their dates and gaps are what is checked.
    for (const day of days) expect(at.some((one) => one.startsWith(day))).toBe(true);
    expect(new Set(at.map((one) => one.slice(11, 16))).size).toBe(1);
  });

  test('each is entered for whole minutes, one at least', () => {
    const long = (breaths: number) =>
      /DURATION:(\S+)/.exec(homeCalendar(plan({ items: [home({ ...belly, breaths })] }), file))![1];
    // Breaths of ten seconds.
    expect([long(2), long(6), long(7), long(12)]).toEqual(['PT1M', 'PT1M', 'PT2M', 'PT2M']);
  });

  test('a time after midnight of somebody who is still up falls on the next day', () => {
    const text = homeCalendar(plan({ wakes: '09:00', sleeps: '01:30', goes: [go('00:45')] }), file);
    expect(text).toContain('DTSTART:20261127T004500');
  });

  test('what an earlier file told of and is gone is called off under its own name', () => {
    const gone = go('12:00');
    const text = homeCalendar(plan({ calledOff: [gone] }), file);
    const off = read(text).filter((event) => event.status === 'CANCELLED');
    expect(off.map(({ uid }) => uid)).toEqual([`${gone.id}@kokyu.invalid`]);
  });
});

describe('the recording, read by a decoder of its own', () => {
  test('every phase begins within 5 ms of its moment', () => {
    const file = waveOf([belly]);
    const wave = new WaveFile(file);
    expect(wave.fmt).toMatchObject({ numChannels: 1, sampleRate: waveRate, bitsPerSample: 16 });
    const samples = wave.getSamples(false, Int16Array) as unknown as Int16Array;
    // An onset is a sample after at least 60 ms of silence.
    const heard: number[] = [];
    let silent = 1e9;
    samples.forEach((value, at) => {
      if (Math.abs(value) > 60) {
        if (silent > 0.06 * waveRate) heard.push(at / waveRate);
        silent = 0;
      } else silent += 1;
    });
    // Ten breaths of 4 in, 6 out after five seconds: 5, 9, 15, 19 …, a tone before and one at the end.
    const breaths = Array.from({ length: 10 }, (_, at) => [5 + at * 10, 9 + at * 10]).flat();
    const expected = [2, ...breaths, 105];
    expect(heard).toHaveLength(expected.length);
    heard.forEach((at, index) => expect(Math.abs(at - expected[index]!)).toBeLessThan(0.005));
  });

  // Up for in, down for out: as it sounds live. Hertz from the turns of the tone, its ends counted apart.
  test('in climbs and out falls, each within a twentieth of the tone it is meant to be', () => {
    const samples = new WaveFile(waveOf([belly])).getSamples(false, Int16Array) as unknown as Int16Array;
    const hertz = (from: number, to: number) => {
      let turns = 0;
      for (let at = Math.round(from * waveRate); at < to * waveRate; at += 1)
        if (samples[at]! < 0 !== samples[at + 1]! < 0) turns += 1;
      return turns / 2 / (to - from);
    };
    // The first breath goes in at 5 s for 0.34 s, from 330 to 494 Hz, and out at 9 s for 0.42 s, from 440 to 294.
    const glide = (from: number, to: number, part: number) => from * (to / from) ** part;
    const close = (found: number, wanted: number) => expect(Math.abs(found / wanted - 1)).toBeLessThan(0.05);
    close(hertz(5, 5.1), glide(330, 494, 0.05 / 0.34));
    close(hertz(5.2, 5.3), glide(330, 494, 0.25 / 0.34));
    close(hertz(9, 9.1), glide(440, 294, 0.05 / 0.42));
    close(hertz(9.25, 9.35), glide(440, 294, 0.3 / 0.42));
  });

  test('a change of side has a tone of its own, once, where the first side is done', () => {
    const both = tonesOf([{ ...belly, side: 'both', breaths: 2 }]).tones;
    // Two breaths of ten seconds after five.
    expect(both.filter(({ phase }) => phase === 'side')).toEqual([{ atSeconds: 25, phase: 'side' }]);
    expect(tonesOf([belly]).tones.some(({ phase }) => phase === 'side')).toBe(false);
  });

  test('as long as what it paces, for every drill that could go home', () => {
    for (const drill of drills) {
      const item = itemOf(drill.id);
      const { tones, seconds } = tonesOf([item]);
      const rungs = item.cadences.length > 1;
      const each = item.cadences.reduce((sum, one) => sum + cycleSeconds(one), 0) * (rungs ? 1 : item.breaths);
      expect([drill.id, seconds >= each + 5]).toEqual([drill.id, true]);
      expect(tones.at(-1)!.phase).toBe('end');
      expect(tones.every(({ atSeconds }, at) => at === 0 || atSeconds >= tones[at - 1]!.atSeconds)).toBe(true);
    }
  });

  test('the sheet beside it says when what begins', () => {
    expect(cueSheet([belly, belly], ['Belly', 'Belly again'])).toBe('0:05 Belly\n2:05 Belly again\n3:45 end');
  });
});

describe('the words', () => {
  test('known sentences come out about where the formula’s author has them: easy far above 80, officialese far below 30', () => {
    expect(readingEase('The cat sat on the mat. It was a warm day.')).toBeGreaterThan(90);
    expect(
      readingEase(
        'Notwithstanding administrative considerations, organisational responsibilities necessitate documentation.',
      ),
    ).toBeLessThan(0);
  });

  test('everything a client reads of an item is plain English: 60 and more [Flesch 1948]', () => {
    expect(readingEase(stopWords)).toBeGreaterThan(60);
    expect(readingEase(homeNotice)).toBeGreaterThan(60);
    const hard = drills.flatMap((drill) => {
      const item = itemOf(drill.id);
      const { where, steps } = homeWords(item, 'kg');
      const { feels, notMeant } = feelOf(item);
      const text = [where, ...steps.map(({ lead, words }) => lead + words), feels, notMeant].join(' ');
      const ease = readingEase(text);
      return ease < 60 ? [`${drill.id}: ${ease.toFixed(0)}`] : [];
    });
    expect(hard).toEqual([]);
  });

  test('nothing of the coach’s codes is in them', () => {
    for (const drill of drills) {
      const item = itemOf(drill.id, { side: drill.sides === 'none' ? 'none' : 'both' });
      const said = JSON.stringify([homeWords(item, 'kg'), feelOf(item, ['shoulders', 'dumped'])]);
      expect(said).not.toMatch(
        /contraindicat|dysfunction|hypertonic|diagnosis of|[a-z]+[A-Z][a-z]+Back|undefined|null/,
      );
    }
  });
});

describe('what may go home', () => {
  const gates = () => gatesOfPerson();
  const summary = (item: PlanItem, part: object = {}) =>
    ({
      item,
      index: 0,
      plannedBreaths: 10,
      plannedSeconds: 100,
      checked: null,
      deliveredBreaths: 10,
      deliveredSeconds: 100,
      cycles: { planned: 10, paced: 10, tapped: null },
      faults: [],
      cues: [],
      efforts: [],
      helped: null,
      stopped: false,
      swapped: null,
      ...part,
    }) as Parameters<typeof homeOffers>[0][number];

  test('a light set goes home with its weight in words; a heavy one stays where somebody is by. Common practice, no published source', () => {
    const of = (strategy: string) => itemOf(`load-side-bend-${strategy}`, { side: 'left', kg: 6, props: ['weight'] });
    const offer = (strategy: string) => homeOffers([summary(of(strategy))], gates(), ['weight'], [])[0]!;
    expect(offer('with').off).toBeNull();
    expect(offer('keep').off).toMatch(/stay in the room/);
    expect(offer('between').off).toMatch(/stay in the room/);
    expect(homeWords(of('with'), 'kg').where).toMatch(
      /The weight in the left hand\. You need: dumbbell or cable of 6 kg\.$/,
    );
  });

  test('calm, helpful and landed come before what was not calm; what was stopped or made it worse does not go', () => {
    const items = ['two-hand-belly', 'quiet-nose', 'even-cadence', 'count-ladder'].map((id) => itemOf(id));
    const offers = homeOffers(
      [
        summary(items[0]!, { faults: [{ fault: 'shoulders', times: 5 }] }),
        summary(items[1]!, { helped: 'better', cues: [{ cue: 'Soft belly', landed: 'yes' }] }),
        summary(items[2]!, { helped: 'worse' }),
        summary(items[3]!, { stopped: true }),
      ],
      gates(),
      usualAtHome,
      [],
    );
    expect(offers.map(({ home: one }) => one.item.drillId).slice(0, 2)).toEqual(['quiet-nose', 'two-hand-belly']);
    expect(offers[0]).toMatchObject({ off: null, home: { cue: 'Soft belly' } });
    expect(offers[1]!.home.notMeant).toBe('Your shoulders creep up.');
    expect(offers.slice(2).every(({ off }) => off !== null)).toBe(true);
  });

  test('what nothing was done of, or is no drill any more, is not offered', () => {
    const none = summary(itemOf('quiet-nose'), { deliveredBreaths: 0 });
    const gone = summary({ ...itemOf('quiet-nose'), drillId: 'a-drill-of-old' });
    expect(homeOffers([none, gone], gates(), usualAtHome, [])).toEqual([]);
    expect(homeOffers([summary(itemOf('quiet-nose'), { deliveredBreaths: 1 })], gates(), usualAtHome, [])).toHaveLength(
      1,
    );
  });

  test('a hold or a side lean is never done alone before it was coached at another visit', () => {
    const hold = itemOf('exhale-restore');
    const [first] = homeOffers([summary(hold)], gates(), usualAtHome, []);
    expect(first!.off).not.toBeNull();
    for (const id of ['side-lean-full', 'side-lean-empty']) {
      expect(homeOffers([summary(itemOf(id))], gates(), usualAtHome, [])[0]!.off).toMatch(/^Never alone/);
      expect(homeOffers([summary(itemOf(id))], gates(), usualAtHome, [id])[0]!.off).toBeNull();
      // One of the coach's own made of it, and without its pause, is no other lean.
      const own = { ...findDrill(id)!, id: 'own-lean', name: 'Lean over the gunwale' };
      const item = { ...itemOf(id), drillId: 'own-lean', own, cadences: [cadence(4, 6)] };
      expect(homeOffers([summary(item)], gates(), usualAtHome, [])[0]!.off).toMatch(/^Never alone/);
      expect(homeOffers([summary(item)], gates(), usualAtHome, ['own-lean'])[0]!.off).toBeNull();
    }
  });

  test('a prop they don’t have is replaced by what stands in for it, or keeps the drill here', () => {
    const band = itemOf('waist-band-breath');
    const [offer] = homeOffers([summary(band)], gates(), ['towel'], []);
    expect(offer!.off === null && offer!.home.item.props).toEqual(['towel']);
    expect(homeOffers([summary(itemOf('balloon-exhale'))], gates(), ['towel'], ['balloon-exhale'])[0]!.off).toMatch(
      /balloon/,
    );
  });

  test('a drill that is gone from the catalogue is taken back, and its name is still told', () => {
    const lost = { ...home(belly), item: { ...belly, drillId: 'a-drill-of-old' } };
    const [taken] = withdrawnOf([lost], gates());
    expect(taken!.why).toMatch(/no longer/);
    expect(drillOf(lost.item).name).toMatch(/no longer/);
  });

  test('habits are told in words a person would use', () => {
    for (const id of habitIds) expect(habits[id].says).toMatch(/^[“A-Z].*[.]$/);
  });
});
