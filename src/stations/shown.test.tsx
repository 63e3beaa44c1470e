/** @jest-environment jsdom */
import { act, cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { type ReactNode } from 'react';
import { blankRaw } from '@/core/look';
import { type Said, type StoredLook, settingsWith, shownWith } from '@/core/record';
import { unobserved } from '@/core/trunk';
import { browserFakes, doing, serverGone, serverSlow, settled } from '@/parts/browser.fakes';
import { item } from './live/coach.fixtures';
import { Close } from './Close';
import { ArrangeLooks } from './look/ArrangeLooks';
import { FormLook } from './look/FormLook';
import { listOf } from './look/LookStation';
import { RegionMap } from './taking/RegionMap';
import { Confirm } from './read/Confirm';
import { FindingsList } from './read/FindingsList';
import { useReading } from './read/useReading';
import { Conditions } from './screen/Conditions';
import { ScreenStation } from './screen/ScreenStation';
import { WhatChanged } from './screen/WhatChanged';
import { usePlan, withBreaths } from './usePlan';
import { SettingsForm } from './settings/SettingsForm';
import { Shown } from './shown.fixtures';
import { type ClientView, type Part } from './view';
import { firstTime } from './diary/diary.fixtures';
import { answers, clientView, type fact, signs, today } from './view.fixtures';
import { send } from '@/keep';

/** Another tab of the same browser: an outbox of its own, which hears what this one is told. */
const openTab = () => {
  let tab: { saidNow: () => readonly Said[] } | null = null;
  jest.isolateModules(() => {
    // oxlint-disable-next-line typescript/no-require-imports
    tab = require('@/keep/outbox') as typeof tab;
    // oxlint-disable-next-line typescript/no-require-imports
    (require('@/keep/outbox') as { onSaid: (listener: () => void) => void }).onSaid(() => undefined);
  });
  return tab! as { saidNow: () => readonly Said[] };
};

const click = (name: string | RegExp, within_: ReturnType<typeof within> = screen as never) =>
  fireEvent.click(within_.getByRole('button', { name }));
const choose = (group: string | RegExp, name: string) =>
  fireEvent.click(within(screen.getByRole('radiogroup', { name: group })).getByRole('radio', { name }));
const chosen = (group: string | RegExp) =>
  within(screen.getByRole('radiogroup', { name: group }))
    .getAllByRole('radio')
    .find((radio) => radio.getAttribute('aria-checked') === 'true')?.textContent ?? null;
const write = (label: string | RegExp, value: string) => {
  const field = screen.getAllByLabelText(label)[0] as HTMLInputElement;
  fireEvent.focus(field);
  fireEvent.change(field, { target: { value } });
  fireEvent.blur(field);
};
const typed = (label: string | RegExp) => (screen.getAllByLabelText(label)[0] as HTMLInputElement).value;

// The page of the test lacks what a blank look is made with.
browserFakes();
const hands: StoredLook = {
  id: 'hands',
  visitId: 'visit',
  protocol: 'twoHands',
  version: 1,
  moment: 'before',
  takenAt: `${today}T09:10:00.000Z`,
  raw: blankRaw('twoHands', { leads: 'chest', movesMore: 'chest', bellyDrawsIn: 'no', deepLeads: 'chest' }),
  revision: 1,
};
const map: StoredLook = {
  ...hands,
  id: 'map',
  protocol: 'regionMap',
  raw: blankRaw('regionMap', {
    position: 'sitting',
    quiet: { ...unobserved(), belly: 0, chestFront: 3, leftSide: 1, rightSide: 1 },
  }),
};
const plan = {
  id: 'plan',
  at: today,
  revision: 3,
  plan: planOf(item({ breaths: 4 }), item({ id: 'two', breaths: 6 })),
};
function planOf(...items: ReturnType<typeof item>[]) {
  return {
    request: {
      intent: 'lowerBreath' as const,
      side: null,
      minutes: 20,
      propsAtHand: [],
      leadSchool: 'quietChest' as const,
    },
    proven: true,
    items,
    refusals: [],
  };
}

function Reading({ view }: { view: ClientView<Part> }) {
  const { all, likely, snapshot, judge } = useReading(view);
  return (
    <>
      <FindingsList findings={all} clientId={view.id} judge={judge} />
      <Confirm
        view={view}
        likely={likely}
        snapshot={snapshot}
        changed={false}
        intent={view.visit!.reading?.intent ?? 'lowerBreath'}
        draft={{}}
        setDraft={() => undefined}
      />
    </>
  );
}

function Plan({ view }: { view: ClientView<Part> }) {
  const { plan: shown, edit, undo } = usePlan(view);
  return (
    <>
      <output>{shown?.items.map(({ breaths }) => breaths).join(' ')}</output>
      <button onClick={() => edit(([first, ...rest]) => [withBreaths(first!, first!.breaths + 1), ...rest])}>
        more
      </button>
      <button onClick={() => edit((items) => items.filter(({ id }) => id !== 'two'))}>take out</button>
      <button disabled={!undo} onClick={() => undo?.()}>
        undo
      </button>
    </>
  );
}

const Looks = ({ view }: { view: ClientView<Part> }) => (
  <ArrangeLooks
    list={listOf(view)}
    onChange={(list) =>
      send('visit.lookList', { visitId: view.visit!.id, list: { ...list, protocols: [...list.protocols] } })
    }
  />
);

/** What is pressed on, how, and what must be seen then: on the page, and as it stands in the view of any tab. */
interface Row {
  page: (view: ClientView<Part>) => ReactNode;
  facts?: ReturnType<typeof fact>[];
  visit?: Parameters<typeof clientView>[0] extends infer T ? (T extends { visit?: infer V } ? V : never) : never;
  rest?: Partial<ClientView<Part>>;
  press: (() => void)[];
  see: () => unknown;
  stands: (view: ClientView<Part>) => unknown;
  expected: { seen: unknown; stands: unknown };
}
const rows: Record<string, Row> = {
  'two yes, then the rest of the group no': {
    page: (view) => <Conditions view={view} />,
    facts: signs,
    press: [
      () => choose('Pregnant now?', 'Yes'),
      () => choose(/Given birth/, 'Yes'),
      () => fireEvent.click(screen.getAllByRole('button', { name: /^The other \d+: no$/ })[0]!),
    ],
    see: () => [chosen('Pregnant now?'), chosen(/Given birth/)],
    stands: (view) => [
      view.known.profile.answers.pregnancy?.value,
      view.known.profile.answers.recentBirth?.value,
      Object.values(view.known.profile.answers).some(({ value }) => value === 'no'),
    ],
    expected: { seen: ['Yes', 'Yes'], stands: ['yes', 'yes', true] },
  },
  'birth date, kind and note of one answer': {
    page: (view) => <Conditions view={view} />,
    facts: [...signs, ...answers({ recentBirth: {} })],
    press: [
      () => write('Day of the birth', '2026-10-20'),
      () => choose('Kind of birth', 'Caesarean'),
      () => write('Note', 'twins'),
    ],
    see: () => [typed('Day of the birth'), chosen('Kind of birth'), typed('Note')],
    stands: (view) => view.known.profile.answers.recentBirth?.detail,
    expected: {
      seen: ['2026-10-20', 'Caesarean', 'twins'],
      stands: { date: '2026-10-20', caesarean: true, note: 'twins' },
    },
  },
  'week of pregnancy, then a note': {
    page: (view) => <Conditions view={view} />,
    facts: [...signs, ...answers({ pregnancy: {} })],
    press: [() => write('Week of pregnancy today', '29'), () => write('Note', 'swims')],
    see: () => [typed('Week of pregnancy today'), typed('Note')],
    stands: (view) => view.known.profile.answers.pregnancy?.detail,
    expected: { seen: ['29', 'swims'], stands: { weekOnDay: 29, note: 'swims' } },
  },
  'the complaint typed, touch chosen, where it is ticked': {
    page: (view) => <ScreenStation view={view} coming={firstTime} />,
    press: [
      () => write('Complaint, in their words', 'Short of air on stairs'),
      () => choose(/Consent to hands-on/, 'No'),
      () => choose(/Sits for long spells/, 'Yes'),
    ],
    see: () => [typed('Complaint, in their words'), chosen(/Consent to hands-on/), chosen(/Sits for long spells/)],
    stands: (view) => [view.known.texts.complaint, view.known.profile.touch, view.known.longDesk],
    expected: { seen: ['Short of air on stairs', 'No', 'Yes'], stands: ['Short of air on stairs', 'no', 'yes'] },
  },
  'what changed, said and said otherwise': {
    page: (view) => <WhatChanged view={view} />,
    rest: {
      last: { id: 'then', clientId: 'client', startedAt: '', day: '2026-11-16', endedAt: null },
      gatesThen: clientView().gates,
    },
    press: [() => click('Nothing changed'), () => click('Something did')],
    see: () => screen.queryByRole('button', { name: 'Something did' }) === null,
    stands: (view) => view.known.profile.whatChanged?.changed,
    expected: { seen: true, stands: 'something' },
  },
  'two looks skipped one after the other': {
    page: (view) => <Looks view={view} />,
    press: [
      () => click('Two hands: skip'),
      () => fireEvent.click(screen.getAllByRole('button', { name: /: skip$/ })[0]!),
    ],
    see: () => [
      screen.queryByRole('button', { name: 'Two hands: skip' }) === null,
      screen.getAllByRole('button', { name: /: skip$/ }).length,
    ],
    stands: (view) => view.visit?.lookList?.protocols.includes('twoHands'),
    expected: { seen: [true, listOf(clientView()).protocols.length - 2], stands: false },
  },
  'two questions of a look': {
    page: (view) => <FormLook view={view} protocol="twoHands" />,
    press: [() => choose(/^Five quiet breaths/, 'Chest hand'), () => choose('Which moves more?', 'Chest')],
    see: () => [chosen(/^Five quiet breaths/), chosen('Which moves more?')],
    stands: (view) => {
      const raw = view.visit?.looks[0]?.raw as { leads?: string; movesMore?: string } | undefined;
      return [view.visit?.looks.length, raw?.leads, raw?.movesMore];
    },
    expected: { seen: ['Chest hand', 'Chest'], stands: [1, 'chest', 'chest'] },
  },
  'a map graded, its position left and come back to, graded on': {
    page: (view) => <RegionMap view={view} />,
    press: [
      () => choose('Position: one map each', 'sitting'),
      () => choose(/^Belly, quiet/, 'clear'),
      () => choose('Position: one map each', 'side-lying'),
      () => choose(/^Position: one map each/, 'sitting ✓'),
      () => choose('Does the front move by arching the spine?', 'Yes: extension'),
    ],
    see: () => [chosen(/^Belly, quiet/), chosen('Does the front move by arching the spine?')],
    stands: (view) =>
      view.visit?.looks.map(({ raw }) => {
        const { position, quiet, extension } = raw as { position: string; quiet: object; extension: string };
        return [position, (quiet as { belly?: number }).belly, extension];
      }),
    expected: { seen: ['clear', 'Yes: extension'], stands: [['sitting', 2, 'yes']] },
  },
  'a finding made less marked twice': {
    page: (view) => <Reading view={view} />,
    visit: { looks: [hands, map] },
    press: [
      () => click('the chest leads the breath: less marked'),
      () => click('the chest leads the breath: less marked'),
    ],
    see: () => null,
    stands: (view) => view.visit?.judgements.map(({ finding, severity }) => [finding, severity]),
    expected: {
      seen: null,
      stands: [
        ['chestLeads', 2],
        ['chestLeads', 1],
      ],
    },
  },
  'an intent confirmed': {
    page: (view) => <Reading view={view} />,
    visit: { looks: [hands, map] },
    press: [() => click('Confirm this intent')],
    see: () => screen.queryByText(/^Confirmed: /) !== null,
    stands: (view) => view.visit?.reading?.intent,
    expected: { seen: true, stands: 'lowerBreath' },
  },
  'a plan edited three times and one step taken back': {
    page: (view) => <Plan view={view} />,
    visit: { plan },
    press: [
      () => click('more'),
      () => click('more'),
      () => click('take out'),
      () => click('undo'),
      () => click('more'),
    ],
    see: () => [document.querySelector('output')!.textContent, screen.getByText('undo').hasAttribute('disabled')],
    stands: (view) => view.visit?.plan?.plan.items.map(({ breaths }) => breaths),
    expected: { seen: ['7 6', false], stands: [7, 6] },
  },
  'the note of a visit': {
    page: (view) => <Close view={view} repeats={{}} />,
    press: [() => write('The note of this visit', 'Went well.')],
    see: () => typed('The note of this visit'),
    stands: (view) => view.visit?.note?.text,
    expected: { seen: 'Went well.', stands: 'Went well.' },
  },
  'five minutes more, three times': {
    page: (view) => (
      <SettingsForm settings={view.settings} asOf={view.asOf} today={view.today} usual={view.settings} ownable={[]} />
    ),
    press: [1, 2, 3].map(() => () => click('Usual minutes for drills: more')),
    see: () => within(screen.getByRole('group', { name: 'Usual minutes for drills' })).getByText('35 min').textContent,
    stands: (view) => view.settings.defaultMinutes,
    expected: { seen: '35 min', stands: 35 },
  },
};

/** How the server is while it is pressed. */
const servers = {
  'that answers at once': () => undefined,
  'that takes two seconds': () => serverSlow(2000),
  'that is gone': () => serverGone(true),
} as const;

beforeEach(() => {
  jest.useFakeTimers({ now: Date.parse(`${today}T10:00:00.000Z`) });
  browserFakes();
  localStorage.clear();
});
afterEach(async () => {
  serverGone(false);
  serverSlow(0);
  await act(async () => {
    for (let second = 0; second < 12; second += 1) {
      jest.advanceTimersByTime(1000);
      await settled();
    }
  });
  cleanup();
  jest.useRealTimers();
});

// The page is never made anew by the server here: whatever is seen is what was pressed.
describe.each(Object.keys(servers) as (keyof typeof servers)[])('a server %s', (server) => {
  test.each(Object.keys(rows))('%s', async (name) => {
    const { page, press, see, stands, expected, facts, visit = {}, rest = {} } = rows[name]!;
    const served = clientView({ ...(facts ? { facts } : {}), visit, ...rest });
    const other = openTab();
    const open = () => render(<Shown view={served}>{(view) => page(view)}</Shown>);
    const shown = open();
    servers[server]();
    // As fast as fingers can: nothing is waited for between one press and the next.
    for (const one of press) act(one);
    expect(see()).toEqual(expected.seen);
    await doing(() => undefined);
    expect(see()).toEqual(expected.seen);
    const before = shownIn(served, other);
    expect(stands(before)).toEqual(expected.stands);
    shown.unmount();
    open();
    expect(see()).toEqual(expected.seen);
    await act(async () => {
      jest.advanceTimersByTime(2500);
      await settled();
    });
    expect(see()).toEqual(expected.seen);
    expect(stands(shownIn(served, other))).toEqual(expected.stands);
  });
});

const shownIn = (served: ClientView<Part>, tab: { saidNow: () => readonly Said[] }): ClientView<Part> => ({
  ...shownWith(served, tab.saidNow()),
  settings: settingsWith(served.settings, served.asOf, tab.saidNow()),
});
