import { renderToStaticMarkup as html } from 'react-dom/server';
import { cadence } from '@/core/cadence';
import { type PropId, findDrill } from '@/core/catalogue';
import { type ConditionId, conditionIds, emptyProfile, evaluateGates } from '@/core/safety';
import { type Plan, type PlanItem, checkPlan, makePlan } from '@/core/sequence';
import { evenYields } from '@/core/trunk';
import { ScoreBar } from '@/parts/figures/score/ScoreBar';
import { scoreSheetSvg } from '@/parts/figures/score/scoreSheet';
import { lossInWords } from './Asking';
import { BreathEditor } from './BreathEditor';
import { Offers, priceInWords } from './Offers';
import { Problems, TotalsLine } from './PlanLines';
import { WorthLine } from './WorthLine';
import { moved, withBreaths } from '../usePlan';
import { scoreItems } from './words';

const today = '2026-11-24';
const gatesWith = (...yes: ConditionId[]) =>
  evaluateGates(
    {
      ...emptyProfile,
      answers: Object.fromEntries(
        conditionIds.map((id) => [
          id,
          { value: yes.includes(id) ? ('yes' as const) : ('no' as const), day: today, recordId: 'fact', detail: {} },
        ]),
      ),
    },
    today,
  );
const context = { gates: gatesWith(), yields: evenYields(), confirmedPatterns: [], stoppedDrills: [] };
let made = 0;
const plan: Plan = makePlan(
  { intent: 'openSidesAndBack', side: null, minutes: 20, propsAtHand: ['towel', 'wall'], leadSchool: 'openAllRegions' },
  context,
  () => `item-${(made += 1)}`,
);
const [first, second, third] = plan.items as [PlanItem, PlanItem, PlanItem];
const nothing = () => undefined;

describe('edits of a plan', () => {
  test('an item is moved to a place, and one that is not there moves nothing', () => {
    const ids = (items: readonly PlanItem[]) => items.map(({ id }) => id);
    expect(ids(moved([first, second, third], third.id, 0))).toEqual([third.id, first.id, second.id]);
    expect(ids(moved([first, second, third], first.id, 2))).toEqual([second.id, third.id, first.id]);
    expect(ids(moved([first, second], 'nobody', 0))).toEqual([first.id, second.id]);
  });

  test('breaths stay between 1 and 60; a ladder has as many as it has rungs', () => {
    expect(withBreaths(first, 0).breaths).toBe(1);
    expect(withBreaths(first, 99).breaths).toBe(60);
    expect(withBreaths(first, 7)).toMatchObject({ breaths: 7, byHand: true });
    const ladder = { ...first, cadences: [cadence(1, 2), cadence(2, 3)] };
    expect(withBreaths(ladder, 9)).toBe(ladder);
  });
});

describe('the bars of the score', () => {
  // Found on paper: twin balls stood there as “twinBalls”, the name the code has for them.
  test('props stand on screen and on paper by their names', () => {
    const ball = { ...first, props: ['twinBalls', 'band'] as PropId[] };
    const bars = scoreItems({ ...plan, items: [ball] }, [], 'kg');
    const paper = scoreSheetSvg([{ ...bars[0]!, segments: [{ ...bars[0]!.segments[0]!, seconds: 600 }] }], {
      title: 'Open',
      studio: 'Saltmarsh Movement Rooms',
      minutes: 20,
    });
    for (const shown of [html(<ScoreBar item={bars[0]!} pxPerSecond={1} />), paper]) {
      expect(shown).toContain('twin balls in a sock, wide resistance band');
      expect(shown).not.toContain('twinBalls');
    }
  });

  test('an item that did not change keeps its bar; one after another position, or with a problem, gets a new one', () => {
    const bars = scoreItems(plan, [], 'kg');
    expect(bars).toHaveLength(plan.items.length);
    const longer = { ...plan, items: [withBreaths(first, first.breaths + 1), ...plan.items.slice(1)] };
    const again = scoreItems(longer, [], 'kg');
    expect(again[0]).not.toBe(bars[0]);
    expect(again.slice(1).every((bar, i) => bar === bars[i + 1])).toBe(true);
    const problem = { code: 'gated' as const, level: 'off' as const, itemId: second.id, what: 'x', wayOut: 'y' };
    expect(scoreItems(plan, [problem], 'kg')[1]).toMatchObject({ id: second.id, problem: 'off' });
    expect(bars[1]!.problem).toBeNull();
  });

  test('a drill that is gone is left out of the drawing', () => {
    expect(scoreItems({ ...plan, items: [{ ...first, drillId: 'no-longer' }, second] }, [], 'kg')).toHaveLength(1);
  });
});

describe('what is said of a plan', () => {
  const line = (which: Plan, provenSince: number | null = null) =>
    html(<WorthLine plan={which} context={context} provenSince={provenSince} />);

  test('the best there is, how much better one could be, or how a change by hand compares', () => {
    expect(line(plan)).toContain('Nothing better exists');
    expect(line({ ...plan, proven: false, atMostBetter: 0.021 })).toContain('At most 3 % better is possible');
    expect(line({ ...plan, proven: false }, plan.points!)).toContain('Nothing better exists');
    expect(line({ ...plan, items: plan.items.slice(0, 2) })).toMatch(/Changed by hand: worth \d+ %/);
    const { points: _, ...own } = plan;
    expect(line(own)).toContain('Put together by you.');
  });

  test('prices are said in words: worth, seconds, changes of position', () => {
    expect(priceInWords({ worth: 1, seconds: 2, changes: 0 })).toBe('worth the same');
    expect(priceInWords({ worth: 0.93, seconds: -40, changes: 1 })).toBe(
      'worth 7 % less, 40 s shorter, 1 change of position more',
    );
    expect(priceInWords({ worth: 1.05, seconds: 61.4, changes: -2 })).toBe(
      'worth 5 % more, 61 s longer, 2 changes of position fewer',
    );
    expect(lossInWords({ drillId: 'x', part: null, pushesOut: [] })).toBe('No plan with it keeps all the rules.');
    expect(lossInWords({ drillId: 'x', part: 0.124, pushesOut: ['A', 'B'] })).toBe(
      'Costs 12 % of the plan’s worth, and pushes out A and B.',
    );
    expect(lossInWords({ drillId: 'x', part: 0, pushesOut: [] })).toBe('Costs next to nothing.');
  });

  test('totals name the minutes there are; without breaths there is no rate', () => {
    const totals = { seconds: 90, breaths: 0, holdSeconds: 0, breathsPerMinute: null, exhaleShare: null };
    const markup = html(<TotalsLine totals={totals} talkSeconds={0} changes={1} minutes={20} />);
    for (const words of ['1.5', 'of 20 min', '–', 'position change']) expect(markup).toContain(words);
  });

  test('what is off is an alert with its way out; what is to be minded is a list', () => {
    const pausing = { ...first, drillId: 'exhale-restore', position: '90/90' as const, props: [] };
    const held = { ...pausing, cadences: [cadence(3, 7, { bottomPauseSeconds: 3 })], breaths: 4 };
    const problems = checkPlan({ ...plan, items: [held] }, gatesWith('heart'));
    const markup = html(<Problems problems={problems} onShow={nothing} onFix={nothing} />);
    expect(markup).toMatch(/role="alert".*Do it so: no pause, straight on/);
    expect(markup).toContain('aria-label="To be minded"');
    expect(markup).toContain('It does not begin with settling.');
  });

  test('nothing to offer says so', () => {
    const markup = html(<Offers offers={[]} title="Instead of it" onTake={nothing} onClose={nothing} />);
    expect(markup).toContain('Nothing else is allowed with these props and limits.');
  });
});

describe('one breath, large', () => {
  const drill = findDrill('exhale-restore')!;
  const item = { ...first, drillId: drill.id, cadences: [cadence(3, 7, { bottomPauseSeconds: 3 })] };
  const drawn = (breath: Partial<Parameters<typeof BreathEditor>[0]> = {}) =>
    html(
      <BreathEditor
        drill={drill}
        item={item}
        gates={gatesWith()}
        measured={{ ratePerMinute: null, exhaleSeconds: null }}
        phase="exhale"
        onPhase={nothing}
        onChange={nothing}
        {...breath}
      />,
    );

  test('each phase with a length is a button, the chosen one pressed; the rate is said', () => {
    const markup = drawn();
    expect(markup).toContain('aria-label="In, 3 s"');
    expect(markup).toMatch(/aria-pressed="true" aria-label="Out, 7 s"/);
    expect(markup).toContain('aria-label="Pause after, 3 s"');
    expect(markup).toContain('4.6');
  });

  test('where holds are off the pause says why it may be no longer', () => {
    expect(drawn()).not.toContain('held off');
    expect(drawn({ gates: gatesWith('heart') })).toContain('held off: heart or blood pressure');
  });

  test('a jump from the own breath is pointed out, and a ladder is turned by its rungs', () => {
    expect(drawn({ measured: { ratePerMinute: 16, exhaleSeconds: null } })).toContain('a jump');
    const ladder = findDrill('count-ladder')!;
    const rungs = {
      ...first,
      drillId: ladder.id,
      cadences: ladder.breath.kind === 'ladder' ? ladder.breath.rungs : [],
    };
    expect(drawn({ drill: ladder, item: rungs })).toContain('Rungs');
  });
});
