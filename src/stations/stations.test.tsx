import { renderToStaticMarkup as html } from 'react-dom/server';
import { cadence } from '@/core/cadence';
import { type LookRecord, type ProtocolId, type Raw, blankRaw } from '@/core/look';
import { type StoredLook, type VisitRecord } from '@/core/record';
import { type Fact, conditionIds, evaluateGates, knownClient, pathState } from '@/core/safety';
import { type PlanItem, makePlan } from '@/core/sequence';
import { type Told, followed, repeatsOf } from '@/core/track';
import { type Grades, evenYields, regionIds, unobserved } from '@/core/trunk';
import { PathStop } from './PathStop';
import { CoachStation } from './coach/CoachStation';
import { LookStation } from './look/LookStation';
import { ReadStation } from './read/ReadStation';
import { ScreenStation } from './screen/ScreenStation';
import { cadencesInWords, doseInWords } from '@/core/coach';
import { SequenceStation } from './sequence/SequenceStation';
import { planContext } from './usePlan';
import { TodayBoard } from './today/TodayBoard';
import { OverStation, type OverStationProps } from './track/OverStation';
import { TrackStation } from './track/TrackStation';
import { type ClientView, type Part } from './view';
import { whole } from './whole.fixtures';
import { at, booking, diaryView, expecting, firstTime } from './diary/diary.fixtures';
import { answers, clientView, fact, signs, today } from './view.fixtures';
import { around } from '@/parts/around.fakes';

let made = 0;
const look = <P extends ProtocolId>(protocol: P, raw: Raw<P>, moment: LookRecord['moment'] = 'before'): StoredLook => ({
  id: `look-${(made += 1)}`,
  visitId: 'visit',
  protocol,
  version: 1,
  moment,
  takenAt: `2026-11-23T10:${String(made % 60).padStart(2, '0')}:00.000Z`,
  raw,
  revision: 1,
});
const allNo = answers();

const reading = {
  id: 'r',
  at: '2026-11-23T10:30:00.000Z',
  intent: 'lowerBreath' as const,
  side: null,
  patterns: ['upperChest'],
  ownLine: '',
  snapshot: null,
};
const chestLeads = look(
  'twoHands',
  blankRaw('twoHands', { leads: 'chest', movesMore: 'chest', bellyDrawsIn: 'no', deepLeads: 'chest' }),
);
const map = (deep: Partial<Grades>, moment: LookRecord['moment'] = 'before') =>
  look('regionMap', blankRaw('regionMap', { deep: { ...unobserved(), ...deep } }), moment);

function planned(view: ClientView<Part>) {
  let next = 0;
  const plan = makePlan(
    { intent: 'lowerBreath', side: null, minutes: 12, propsAtHand: ['towel', 'chair'], leadSchool: 'openAllRegions' },
    { gates: view.gates, yields: evenYields(), confirmedPatterns: [], stoppedDrills: [] },
    () => `item-${(next += 1)}`,
  );
  return { id: 'plan', at: '2026-11-23T10:40:00.000Z', revision: 1, plan };
}

describe('Screen', () => {
  test('asks the signs of pregnancy only of who is pregnant', () => {
    expect(html(<ScreenStation view={clientView({ facts: allNo })} coming={firstTime} />)).not.toContain(
      'regular painful contractions',
    );
    const pregnant = clientView({ facts: [fact('answer:pregnancy', { value: 'yes', weekOnDay: 29 })] });
    expect(html(<ScreenStation view={pregnant} coming={firstTime} />)).toContain('regular painful contractions');
  });

  test('shows what the answers mean today, with why', () => {
    const view = clientView({ facts: [...signs, ...allNo, fact('answer:pregnancy', { value: 'yes', weekOnDay: 29 })] });
    const markup = html(<ScreenStation view={view} coming={firstTime} />);
    expect(markup).toContain('Holds beyond a natural pause');
    expect(markup).toContain('Pregnant, week 29');
    expect(markup).toContain('Watch for');
    expect(html(<ScreenStation view={clientView()} coming={firstTime} />)).toContain(
      'Everything was asked and nothing is off limits.',
    );
    expect(html(<ScreenStation view={clientView({ facts: [] })} coming={firstTime} />)).toContain(
      'Waiting for answers',
    );
  });

  test('is nothing but the stop after an emergency sign today', () => {
    const markup = html(
      <ScreenStation view={clientView({ facts: [fact('emergency', { present: ['fainting'] })] })} coming={firstTime} />,
    );
    expect(markup).toContain('Stop. Call 999.');
    expect(markup).not.toContain('<button');
    expect(markup).not.toContain('<input');
  });
});

describe('Screen opens a visit', () => {
  const last = { id: 'v', clientId: 'client', startedAt: '2026-11-02T09:00:00Z', day: '2026-11-02', endedAt: null };
  const then = (facts: Fact[]) => evaluateGates(knownClient(facts).profile, '2026-11-02');

  test('with what changed, and what the weeks have put off limits since', () => {
    const facts = [...signs, ...allNo, fact('answer:pregnancy', { value: 'yes', weekOnDay: 14 }, '2026-11-02')];
    const markup = html(
      <ScreenStation view={clientView({ facts, last, gatesThen: then(facts) })} coming={firstTime} />,
    );
    expect(markup).toContain('What changed since 2 November?');
    expect(markup).toContain('Newly off since then');
    expect(markup).toContain('Pregnant, week 17');
    expect(html(<ScreenStation view={clientView()} coming={firstTime} />)).not.toContain('What changed since');
  });

  test('asks for old answers again, and keeps the history in words', () => {
    const old = conditionIds.map((id) => fact(`answer:${id}`, { value: 'no' }, '2026-06-01'));
    const markup = html(<ScreenStation view={clientView({ facts: [...signs, ...old] })} coming={firstTime} />);
    expect(markup).toContain('older than 90 days');
    expect(markup).toContain('Gone through: all still stand');
    expect(markup).toMatch(/History: \d+ entries on 2 days/);
    expect(markup).toContain('1 June');
  });

  test('offers the smallest change beside what is off, and says which form goes first', () => {
    const facts = [
      ...signs,
      ...allNo,
      fact('answer:holdingFloor', { value: 'yes' }),
      fact('answer:leaking', { value: 'yes' }),
      fact('answer:latex', { value: 'yes' }),
    ];
    const markup = html(<ScreenStation view={clientView({ facts })} coming={firstTime} />);
    expect(markup).toContain('Instead: a towel or a latex-free band.');
    expect(markup).toContain('letting go before lifting');
  });
});

describe('a closed station says why and what is the way on', () => {
  test.each([
    [[...allNo], 'Emergency signs and red flags have not been asked today.', 'Go to Screen'],
    [[...signs, fact('redFlags', { present: ['nightPain'] })], 'Night pain that nothing eases.', 'Go to Screen'],
    [[...signs, fact('birthDay', '2015-01-01')], 'a guardian', 'Go to Screen'],
  ])('%#', (facts, why, way) => {
    const markup = html(<PathStop view={clientView({ facts })} />);
    expect(markup).toContain(why);
    expect(markup).toContain(way);
    expect(markup).toContain('<h1');
  });

  test('a rate to be counted again leads back to the look', () => {
    const path = pathState(knownClient(signs).profile, today, [{ breathsPerMinute: 27, seconds: 61, recordId: 'l' }]);
    expect(html(<PathStop view={clientView({ path })} />)).toContain('Count again');
  });
});

describe('Look', () => {
  test('begins with the unannounced look, and with a visit', () => {
    expect(html(<LookStation view={clientView()} />)).toContain('Unannounced quiet look');
    expect(html(<LookStation view={clientView({ visit: null })} />)).toContain('Begin today’s visit');
  });

  test('goes to the protocol that was asked for, and to the first for a made-up one', () => {
    around.search = 'protocol=regionMap';
    expect(html(<LookStation view={clientView()} />)).toContain('Tap a part to grade it');
    around.search = 'protocol=x-ray';
    expect(html(<LookStation view={clientView()} />)).toContain('Tap each inhale');
  });

  test.each([
    ['quietLook', 'Tap each inhale'],
    ['calmHold', 'Start the hold'],
  ])('what times something (%s) can’t be pressed before anybody listens', (protocol, words) => {
    around.search = `protocol=${protocol}`;
    const markup = html(<LookStation view={clientView()} />);
    const button = markup.slice(markup.lastIndexOf('<button', markup.indexOf(`>${words}<`)));
    expect(button.slice(0, button.indexOf('>'))).toContain('disabled=""');
  });

  test.each([
    ['pregnancy', 'pregnant'],
    ['heart', 'heart or blood pressure'],
    ['seizures', 'seizures or other neurological'],
  ])('offers no hold with %s, and says why', (condition, why) => {
    around.search = 'protocol=calmHold';
    expect(html(<LookStation view={clientView()} />)).toContain('Start the hold');
    const gated = clientView({ facts: [...signs, ...answers({ [condition]: {} })] });
    expect(html(<LookStation view={gated} />)).not.toContain('Start the hold');
    expect(html(<LookStation view={gated} />)).toContain('holds beyond a natural pause');
    expect(html(<LookStation view={gated} />)).toContain(why);
  });

  test('offers no deep breath with a collapsed lung, and leaves what needs none', () => {
    around.search = 'protocol=frontOn';
    const lung = clientView({ facts: [...signs, ...allNo, fact('answer:collapsedLung', { value: 'yes' })] });
    expect(html(<LookStation view={lung} />)).toContain('Off today, deep breaths on request');
    // The marker stays, without the measure that is off.
    around.search = 'protocol=marker';
    expect(html(<LookStation view={lung} />)).not.toContain('Deep-breath ease');
    expect(html(<LookStation view={lung} />)).toContain('Hip inward rotation');
  });

  test.each([
    ['frontOn', 'Five deep breaths'],
    ['tape', 'Fourth intercostal space'],
    ['twoLine', 'Equal ones give a balance of 0'],
    ['fingerGap', 'Do the shoulders shrug?'],
    ['sideBend', 'the client’s left side opens'],
    ['postureSearch', 'Front of the pelvis a little up'],
    ['stack', 'Attach a photo'],
    ['exhale', 'Start the exhale'],
    ['wallOrder', 'March, left foot up'],
    ['floor', 'Softens on the inhale?'],
    ['pelvicRock', 'Does the head nod?'],
    ['tenCount', 'folk check'],
    ['questionnaire', 'Tight feelings round the mouth'],
    ['twoHands', 'which hand leads?'],
  ])('has a screen for %s', (protocol, words) => {
    around.search = `protocol=${protocol}`;
    expect(html(<LookStation view={clientView()} />)).toContain(words);
  });

  test('does not offer a position that is off today, nor a field', () => {
    around.search = 'protocol=quietLook';
    const pregnant = clientView({
      facts: [...signs, ...allNo, fact('answer:pregnancy', { value: 'yes', weekOnDay: 29 })],
    });
    expect(html(<LookStation view={pregnant} />)).toContain('Off today: hook-lying.');
    around.search = 'protocol=wallOrder';
    const girdle = clientView({ facts: [...signs, ...allNo, fact('answer:pelvicGirdlePain', { value: 'yes' })] });
    expect(html(<LookStation view={girdle} />)).toContain('Off today, one-legged marches');
    expect(html(<LookStation view={girdle} />)).toContain('What draws in first');
    // The rock is only done lying flat: off as a whole from the bump on.
    around.search = 'protocol=pelvicRock';
    expect(html(<LookStation view={pregnant} />)).toContain('Off today, lying flat on the back for long');
    // A test has no other form: what would be done otherwise is left out, and says why.
    around.search = 'protocol=frontOn';
    const healing = clientView({ facts: [...signs, ...allNo, fact('answer:ribFracture', { value: 'yes' })] });
    expect(html(<LookStation view={healing} />)).toContain('Off today, deep breaths on request: rib fracture');
  });

  test('asks about a larger exhale instead of swapping it', () => {
    around.search = 'protocol=tape';
    const raw = blankRaw('tape', { levels: { fourth: [{ exhaleCm: 95, inhaleCm: 90 }] } });
    const markup = html(<LookStation view={clientView({ visit: { looks: [look('tape', raw)] } })} />);
    expect(markup).toContain('Swapped, or really smaller at full inhale?');
  });

  test('lists the looks of the set, done ones with their result, extras too', () => {
    around.search = 'protocol=quietLook';
    const looks = [look('tape', blankRaw('tape', { levels: { fourth: [{ exhaleCm: 90, inhaleCm: 96 }] } }))];
    const markup = html(<LookStation view={clientView({ visit: { looks } })} />);
    expect(markup).toContain('fourth space 6.0 cm');
    expect(markup).toContain('About 10 min');
    const own = clientView({ visit: { lookList: { set: 'full', protocols: ['stack', 'quietLook'] } } });
    expect(html(<LookStation view={own} />)).toMatch(/Stack<.*Unannounced quiet look</s);
  });

  test('shows a look already begun as it was left', () => {
    const begun = look('quietLook', {
      position: 'sitting',
      taps: [0, 5, 10, 15],
      starts: 'belly',
      route: 'nose',
      sound: 'silent',
      seen: [],
    });
    const markup = html(<LookStation view={clientView({ visit: { looks: [begun] } })} />);
    expect(markup).toContain('12.0');
    expect(markup).toContain('45 s short of a full minute');
  });
});

describe('Read', () => {
  test('says there is nothing to read before anything was looked at', () => {
    expect(html(<ReadStation view={clientView()} />)).toContain('Nothing was looked at today');
  });

  test('shows evidence with points, links to the look, and suggests an intent', () => {
    const shoulders = look('frontOn', blankRaw('frontOn', { shoulders: 'yes', upperOnly: 'yes' }));
    const markup = html(<ReadStation view={clientView({ visit: { looks: [chestLeads, shoulders] } })} />);
    expect(markup).toContain('upper-chest lead');
    expect(markup).toContain('the chest leads the breath');
    // What a strength and a point mean is there to be tapped; what was not looked for is named.
    expect(markup).toMatch(/: how strong it is, show what it means/);
    expect(markup).toMatch(/Not looked for:.*floor that is late/s);
    expect(markup).toContain('/clients/client/look?protocol=twoHands');
    expect(markup).toContain('Suggested by “upper-chest lead”.');
    expect(markup).toContain('Confirm this intent');
  });

  test('one sign alone suggests nothing: too little was looked at, and what would settle it is a link', () => {
    const markup = html(
      <ReadStation
        view={clientView({ visit: { looks: [look('twoHands', blankRaw('twoHands', { leads: 'chest' }))] } })}
      />,
    );
    expect(markup).not.toContain('Suggested by');
    expect(markup).toContain('Not enough was looked at to say anything.');
  });

  test('nothing found in enough looks is an even breath, said so, with what was not looked for', () => {
    const grades = Object.fromEntries(regionIds.map((id) => [id, 2])) as Grades;
    const looks = [
      look('regionMap', blankRaw('regionMap', { position: 'sitting', quiet: grades, deep: grades })),
      look('twoHands', blankRaw('twoHands', { leads: 'together', bellyDrawsIn: 'no' })),
      look('sideBend', blankRaw('sideBend', { left: 2, right: 3 })),
    ];
    const markup = html(<ReadStation view={clientView({ visit: { looks } })} />);
    expect(markup).toContain('Nothing that was looked at speaks for trouble');
    expect(markup).toContain('Suggested by “even and variable”.');
    expect(markup).toMatch(/Not looked for:.*top-down abdominal/s);
  });

  test('after confirming it leads on', () => {
    const markup = html(<ReadStation view={clientView({ visit: { looks: [chestLeads], reading } })} />);
    expect(markup).toContain('On to Sequence');
    expect(markup).toContain('Confirm again');
  });
});

describe('Sequence', () => {
  test('asks for an intent first, then for what there is', () => {
    expect(html(<SequenceStation view={clientView()} />)).toContain('A plan answers an intent.');
    expect(html(<SequenceStation view={clientView({ visit: { reading } })} />)).toContain('Make the plan');
  });

  test('shows the plan with totals, reasons and refusals', async () => {
    const plan = planned(clientView());
    const view = clientView({ visit: { reading, plan } });
    const markup = await whole(<SequenceStation view={view} />);
    expect(markup).toContain('aria-label="Totals"');
    expect(markup).toContain('First: settling comes before everything.');
    expect(markup).toMatch(/Left out: \d+ drills, each with its reason/);
    expect(markup).toContain('What would change if…');
  });

  test('a plan made before a new caution is checked again when it is opened', () => {
    const plan = planned(clientView());
    const now = clientView({
      facts: [...allNo, fact('answer:pregnancy', { value: 'yes', weekOnDay: 30 }), ...signs],
      visit: { reading, plan },
    });
    expect(html(<SequenceStation view={now} />)).toContain('Off today, lying flat on the back for long');
    expect(html(<CoachStation view={now} />)).toMatch(/<button[^>]*disabled=""[^>]*>Open the run/);
  });

  test('doses and cadences are said as a coach says them', () => {
    const item = {
      drillId: 'towel-hug',
      side: 'both',
      sets: 2,
      breaths: 5,
      cadences: [cadence(4, 6)],
    } as unknown as PlanItem;
    expect(doseInWords(item, 'kg')).toBe('2 × 5 breaths, each side');
    expect(doseInWords({ ...item, side: 'left', sets: 1 }, 'kg')).toBe('5 breaths, left');
    expect(cadencesInWords(item)).toBe('4 in, 6 out');
    expect(cadencesInWords({ ...item, cadences: [cadence(1, 2), cadence(2, 3)] })).toBe('ladder of 2');
  });

  test('the planner is told the best of what was seen, and nothing where nothing was', () => {
    const seen = planContext(clientView({ visit: { looks: [map({ belly: 3, leftSide: 0, rightSide: 3 })] } }));
    expect(seen.yields.leftSide).toBeLessThan(seen.yields.rightSide);
    expect(planContext(clientView()).yields.leftSide).toBe(1);
  });
});

describe('Coach', () => {
  test('needs a plan, then the marker, then opens the run', () => {
    expect(html(<CoachStation view={clientView()} />)).toContain('There is no plan to coach yet.');
    const markup = html(<CoachStation view={clientView({ visit: { reading, plan: planned(clientView()) } })} />);
    expect(markup).toContain('Today’s marker, before');
    expect(markup).toContain('Open the run');
  });

  test('offers an open run for going on or closing, and the recheck after a run that ended', async () => {
    const plan = planned(clientView());
    const event = (seq: number, type: 'start' | 'end') => ({
      id: `00000000-0000-4000-8000-00000000000${seq}`,
      seq,
      atEpochMs: 1_000_000 + seq * 60_000,
      event: type === 'start' ? { type } : { type, why: 'done' as const },
    });
    const run = {
      id: 'run',
      visitId: 'visit',
      at: '2026-11-23T10:50:00.000Z',
      items: plan.plan.items,
      members: [],
      events: [event(0, 'start')],
    };
    const open = await whole(<CoachStation view={clientView({ visit: { reading, plan, runs: [run] } })} />);
    expect(open).toContain('Go back to it');
    expect(open).not.toContain('Recheck');
    const ended = { ...run, events: [...run.events, event(1, 'end')] };
    const done = await whole(
      <CoachStation view={clientView({ visit: { reading, plan, runs: [ended], looks: [map({ belly: 2 })] } })} />,
    );
    expect(done).toContain('Same words, same position: hook-lying.');
    expect(done).toContain('What was done, 60 s');
    expect(done).toContain('Run the plan again');
  });

  test('coaches nobody whose signs were not asked today', () => {
    const plan = planned(clientView());
    const markup = html(<CoachStation view={clientView({ facts: allNo, visit: { reading, plan } })} />);
    expect(markup).toContain('ask about today’s signs first');
    expect(markup).not.toContain('Open the run');
  });
});

describe('Track', () => {
  const track = (looks: StoredLook[], visit: Partial<VisitRecord> | null = { looks }) => (
    <TrackStation view={clientView({ visit })} repeats={repeatsOf(looks)} />
  );
  const over = (looks: StoredLook[], rest: Partial<OverStationProps> = {}) => (
    <OverStation
      clientId="ada"
      visit={false}
      name="Ada"
      today={today}
      lengths="cm"
      weights="kg"
      over={followed(looks, () => today)}
      lead={null}
      rings={null}
      told={[]}
      lifts={[]}
      effects={[]}
      worked={{ drills: [], positions: [], cues: [] }}
      names={{}}
      kept={[]}
      letter={null}
      {...rest}
    />
  );

  test('compares the rings of today in words, and only like with like', () => {
    const looks = [map({ leftSide: 1, belly: 2 }), map({ leftSide: 3, belly: 2 }, 'after')];
    expect(html(track(looks))).toContain('Left side two steps more: clear.');
    const other = { ...looks[1]!, raw: { ...looks[1]!.raw, position: 'sitting' } } as StoredLook;
    const unlike = [looks[0]!, other];
    expect(html(track(unlike))).toContain('not like with like');
  });

  test('what changed it and what worked name a drill as it was called, a drill of one’s own too', () => {
    const page = html(
      over([], {
        effects: [{ drillId: 'own-hug', times: 2, own: 1, pooled: 0.4, low: 0.1, high: 0.7, clear: true }],
        worked: { drills: [{ what: 'own-hug', times: 3, well: 2 }], positions: [], cues: [] },
        names: { 'own-hug': 'Hug by the harbour' },
      }),
    );
    expect(page.split('Hug by the harbour')).toHaveLength(3);
    expect(page).not.toContain('>own-hug<');
  });

  test('lengths over visits stand in the studio’s unit, drawn and in figures', () => {
    const goes = (cm: number) => [{ exhaleCm: 90, inhaleCm: 90 + cm }];
    const tapes = [5.08, 7.62].map((cm, at) => ({
      ...look('tape', blankRaw('tape', { levels: { fourth: goes(cm) } })),
      visitId: `visit ${at}`,
      takenAt: `2026-11-2${at}T10:00:00.000Z`,
    }));
    const one = followed(tapes, (visitId) => `2026-11-2${visitId.at(-1)}`);
    const [inCm, inInches] = (['cm', 'in'] as const).map((lengths) => html(over([], { over: one, lengths })));
    expect(inCm).toContain('5.1 to 7.6 cm');
    expect(inInches).toContain('2.0 to 3.0 in before the work');
    expect(inInches).toMatch(/over 2 visits, in;/);
    expect(inInches).not.toMatch(/\bcm\b|\b5\.1\b|\b7\.6\b/);
  });

  test('with nothing measured it says so', () => {
    expect(html(over([]))).toContain('Nothing was measured yet');
    expect(html(track([], null))).toContain('No visit today.');
  });

  test('one visit is no line yet', () => {
    const hold = look('calmHold', {
      position: 'sitting',
      tries: [{ seconds: 14, feeling: 'calm', firstBreath: 'nose and quiet' }],
    });
    expect(html(over([hold]))).toContain('Sitting, on 23 November. One visit is no line yet.');
  });

  test('what was told and asked at home stands under the measure, and by itself where nothing was measured', () => {
    const told: Told[] = [
      { day: '2026-11-09', where: 'at a visit', complaint: 6, leaks: 3, symptoms: ['pain'] },
      { day: today, where: 'at a visit', complaint: 2, leaks: 0, symptoms: [] },
    ];
    const alone = html(over([], { told }));
    expect(alone).toContain('The complaint 6 of 10 at first, 2 now: clearly smaller.');
    expect(alone).toContain('3 leaks');
    const kept = [
      { day: '2026-11-09', until: today, days: 14, times: 2, done: 9, told: 'Everything on 9 of 14 days.' },
    ];
    const marked = html(over([map({ leftSide: 1 })], { told, kept }));
    expect(marked).toContain('Everything on 9 of 14 days.');
  });
});

test('what was just said closes a station, whatever its page was made with', () => {
  const view = clientView({
    facts: [...signs, fact('redFlags', { present: ['nightPain'] }), ...answers()],
  });
  expect(view.path.state).toBe('red flag');
  for (const page of [
    <LookStation key="l" view={view} />,
    <ReadStation key="r" view={view} />,
    <SequenceStation key="s" view={view} />,
  ]) {
    expect(html(page)).toContain('Not today: a red flag. Refer.');
  }
});

describe('Today', () => {
  const board = {
    view: diaryView({ bookings: [] }),
    day: diaryView().today,
    walkIns: [],
    openRuns: [],
    leftOpen: [],
    unsigned: [],
    recent: [],
    clientCount: 0,
    noticeSeen: true,
    isDemo: false,
  };

  test('an empty studio says what to do, the first start what the product is', () => {
    expect(html(<TodayBoard {...board} />)).toContain('The studio is empty.');
    expect(html(<TodayBoard {...board} noticeSeen={false} />)).toContain('It diagnoses nothing.');
    expect(html(<TodayBoard {...board} clientCount={3} />)).toContain('No one is booked for today.');
  });

  test('each row says when, who, what to mind and what is needed', () => {
    const view = diaryView({
      bookings: [booking({ clientId: 'c', name: 'Ned Quillwater', startsAt: at(9), note: 'bring nets' })],
      expecting: {
        c: expecting({
          cautions: ['reflux'],
          closed: true,
          needs: ['Since 20 November: fainting. A clinician’s word first.'],
          visits: [{ id: 'v', startedAt: at(9), endedAt: null }],
        }),
      },
    });
    const markup = html(
      <TodayBoard {...board} view={view} leftOpen={[{ id: 'v', clientId: 'c', name: 'Ada', day: '2026-11-20' }]} />,
    );
    for (const words of [
      '09:00',
      'Ned Quillwater',
      'reflux',
      'A clinician’s word first.',
      'Resume',
      'End it as it is',
    ]) {
      expect(markup).toContain(words);
    }
    expect(markup).not.toContain('Not coming');
  });
});
