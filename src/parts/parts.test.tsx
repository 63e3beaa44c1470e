import { renderToStaticMarkup as html } from 'react-dom/server';
import { commonPractice, published } from '@/core/reasons';
import { cadence, phaseAt, planBreaths } from '@/core/cadence';
import { type Grade, type Grades, regionIds, unobserved } from '@/core/trunk';
import { Button } from './Button';
import { ChoiceChips, TickChips } from './Chips';
import { Field, TextInput } from './Field';
import { EmptyState, Notice } from './Notice';
import { ProvenanceMark } from './Provenance';
import { ReasonList } from './ReasonList';
import { Slider } from './Slider';
import { Stepper } from './Stepper';
import { Ring, gradeForKey, gradeText } from './figures/Ring';
import { steppedLevel, tideDown } from './figures/Tide';
import { SafetyLine } from './shell/SafetyLine';
import { Thread } from './shell/Thread';
import { stationList } from './shell/stations';

const even = (grade: Grade) => Object.fromEntries(regionIds.map((id) => [id, grade])) as Grades;
const count = (text: string, what: string | RegExp) => text.split(what).length - 1;

describe('controls', () => {
  test('a button is a button and not a submit unless asked', () => {
    expect(html(<Button>Go</Button>)).toContain('type="button"');
    expect(html(<Button type="submit">Go</Button>)).toContain('type="submit"');
  });

  test('a field ties label, hint and error to its control', () => {
    const markup = html(
      <Field label="Name" hint="as they say it" error="A client needs a name.">
        {(ids) => <TextInput {...ids} defaultValue="" />}
      </Field>,
    );
    const id = /<label for="([^"]+)"/.exec(markup)![1]!;
    expect(markup).toContain(`id="${id}"`);
    expect(markup).toContain(`aria-describedby="${id}-hint ${id}-error"`);
    expect(markup).toContain('aria-invalid="true"');
    expect(markup).toContain('role="alert"');
  });

  test('chips are radios in a named group, ticks are not', () => {
    const choices = [
      { value: 'a', label: 'A' },
      { value: 'b', label: 'B' },
    ];
    const one = html(<ChoiceChips label="Which" value="b" choices={choices} onChange={() => undefined} />);
    expect(count(one, 'role="radio"')).toBe(2);
    expect(count(one, 'aria-checked="true"')).toBe(1);
    const many = html(<TickChips label="Which" values={['a', 'b']} choices={choices} onChange={() => undefined} />);
    expect(count(many, 'aria-pressed="true"')).toBe(2);
  });

  test('a stepper stops at its ends', () => {
    const at = (value: number) =>
      html(<Stepper label="Sets" value={value} min={1} max={3} onChange={() => undefined} />);
    expect(at(1)).toMatch(/aria-label="Sets: less" disabled/);
    expect(at(3)).toMatch(/aria-label="Sets: more" disabled/);
    expect(count(at(2), 'disabled=""')).toBe(0);
  });

  test('a slider nobody touched says that nothing was asked, not five', () => {
    const at = (value: number | null) =>
      html(
        <Slider label="Ease" value={value} min={0} max={10} step={1} low="no" high="yes" onChange={() => undefined} />,
      );
    expect(at(null)).toContain('–');
    expect(at(7)).toContain('>7<');
  });
});

describe('words', () => {
  test('a notice that matters is an alert, a plain one is not; each has a sign and a heading', () => {
    expect(html(<Notice kind="stop" title="Not today" />)).toContain('role="alert"');
    expect(html(<Notice title="By the way" />)).not.toContain('role="alert"');
    expect(html(<Notice as="h1" kind="caution" title="Mind" />)).toMatch(/<h1[^>]*><svg/);
    expect(html(<EmptyState title="Nothing yet">Do this</EmptyState>)).toContain('Do this');
  });

  test('a reason shows what, the rule, its record and its provenance', () => {
    const reasons = [
      {
        what: 'Pregnant, week 29',
        rule: 'Cautions for pregnancy',
        records: [{ kind: 'fact' as const, id: 'f', label: 'answered today' }],
        provenance: published('R10'),
      },
    ];
    const markup = html(<ReasonList reasons={reasons} linkTo={({ id }) => `/record/${id}`} />);
    expect(markup).toContain('Pregnant, week 29');
    expect(markup).toContain('href="/record/f"');
    expect(markup).toContain('pub<span class="sr-only">: published, show the source</span>');
    expect(html(<ProvenanceMark provenance={commonPractice} />)).toContain('trade');
  });

  test('the safety line says limits and consent in words', () => {
    const markup = html(
      <SafetyLine stop={null} cautions={['pregnant, week 29', 'reflux']} unasked={3} touch="own hands" consent={{}} />,
    );
    expect(markup).toContain('pregnant, week 29 · reflux');
    expect(markup).toContain('3 not asked yet');
    expect(markup).toContain('Touch: own hands only');
    expect(html(<SafetyLine stop="Refer" cautions={[]} unasked={0} touch="unknown" consent={{}} />)).toContain(
      'Touch: ask first',
    );
  });

  test('the thread leads to the records, and says what to begin with when there is nothing', () => {
    const lines = [{ heading: 'Seen', words: '12.4 a minute', station: 'look' as const }];
    expect(html(<Thread lines={lines} base="/clients/x" />)).toContain('href="/clients/x/look"');
    expect(html(<Thread lines={[]} base="/clients/x" />)).toContain('Start with why they came');
  });

  test('stations keep their numbers, in order', () => {
    const numbers = stationList.map(({ number }) => number);
    expect([...numbers].sort((a, b) => a - b)).toEqual(numbers);
    expect(new Set(numbers).size).toBe(numbers.length);
  });
});

describe('the ring', () => {
  test('as a picture it is described in words, part by part', () => {
    const markup = html(<Ring title="Region map" first={{ ...even(2), belly: null }} second={even(3)} />);
    expect(markup).toContain('role="img"');
    expect(markup).toContain('belly: quiet not seen, deep 3, full');
    expect(markup).not.toContain('role="slider"');
  });

  test('as an input every part and the neck is a slider with its grade in words', () => {
    const markup = html(
      <Ring title="Map" first={{ ...unobserved(), belly: 2 }} onGrade={() => undefined} onSelect={() => undefined} />,
    );
    expect(count(markup, 'role="slider"')).toBe(10);
    expect(markup).toContain(
      'aria-label="belly" aria-valuemin="0" aria-valuemax="3" aria-valuenow="2" aria-valuetext="2, clear"',
    );
    expect(count(markup, 'aria-valuetext="not seen"')).toBe(9);
  });

  test('a needle is drawn only where the breath leans', () => {
    expect(html(<Ring title="Map" first={even(2)} />)).not.toContain('marker-end');
    expect(html(<Ring title="Map" first={{ ...even(2), leftSide: 0, leftBack: 0 }} />)).toContain('marker-end');
  });

  test('for a plan it tints what should open, and claims nothing about what was seen', () => {
    const markup = html(<Ring title="To open" first={unobserved()} tinted={['leftSide']} showLabels={false} />);
    // One part, and one stripe of the pattern that is always at hand.
    expect(count(markup, 'fill="var(--inhale)"')).toBe(2);
    expect(markup).not.toContain('dots)');
    expect(markup).not.toContain('<text');
  });

  test.each<[string, Grade, Grade | undefined]>([
    ['0', 2, 0],
    ['3', null, 3],
    ['ArrowUp', null, 0],
    ['ArrowUp', 3, 3],
    ['ArrowDown', 2, 1],
    ['ArrowDown', 0, 0],
    ['ArrowDown', null, undefined],
    ['x', 2, null],
    ['Backspace', 2, null],
    ['4', 2, undefined],
    ['Tab', 2, undefined],
  ])('key %s on grade %p gives %p', (key, before, after) => {
    expect(gradeForKey({ key, ctrlKey: false, metaKey: false, altKey: false, shiftKey: false }, before)).toBe(after);
  });

  test('grades are said with number and word', () => {
    expect([null, 0, 3].map((grade) => gradeText(grade as Grade))).toEqual(['not seen', '0, none', '3, full']);
  });
});

describe('the tide and the score', () => {
  test('full is high, empty is low', () => {
    expect(tideDown(1)).toBeLessThan(tideDown(0.5));
    expect(tideDown(0.5)).toBeLessThan(tideDown(0));
  });

  test('with reduced motion the level moves once a second and is the same at the ends', () => {
    const plan = planBreaths([{ cadence: cadence(4, 4), breaths: 1 }]);
    const levels = [0, 0.9, 1, 1.9, 3.9].map((t) => steppedLevel(phaseAt(plan, t)));
    expect(levels).toEqual([0, 0, 0.25, 0.25, 0.75]);
    expect(steppedLevel(phaseAt(plan, 4))).toBe(1);
    expect(steppedLevel(phaseAt(plan, 5.5))).toBe(0.75);
    const pausing = planBreaths([{ cadence: cadence(2, 2, { topPauseSeconds: 2 }), breaths: 1 }]);
    expect(steppedLevel(phaseAt(pausing, 3))).toBe(1);
  });
});
