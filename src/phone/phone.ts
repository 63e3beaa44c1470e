/**
 * The page that goes home: one file, no network. It keeps what is ticked on the phone, paces with the same clock as the app, and writes
 * the code that comes back with the same function that reads it.
 */
import { type BreathPlan, phaseAt, planBreaths } from '@/core/cadence/phaseAt';
import { phaseTones } from '@/core/cadence/toneShapes';
import { sinceWaking } from '@/core/home/clock';
import { addDays, dayInWords, daysBetween, tellDatesIn, weekdayAndDay } from '@/core/record';
import { minuteOf } from '@/core/record/day';
import { type DoneLevel, type FeltLevel, codeOf, feltLevels, homeSigns } from '@/core/home/code';
import { type PhoneData, type PhoneItem } from './data';

const data = JSON.parse(document.getElementById('data')!.textContent!) as PhoneData;
const root = document.getElementById('page')!;
const key = `kokyu ${data.planId}`;

interface Kept {
  /** By day of the plan, the ids of the goes that were done. */
  done: Record<string, string[]>;
  felt: Record<string, FeltLevel>;
  signs: string[];
}
const nothing: Kept = { done: {}, felt: {}, signs: [] };

/** Where a phone keeps nothing (a private window), the page still works for as long as it is open. */
let memory: Kept = nothing;
function kept(): Kept {
  try {
    return { ...nothing, ...(JSON.parse(localStorage.getItem(key) ?? '{}') as Partial<Kept>) };
  } catch {
    return memory;
  }
}
function keep(next: Kept): boolean {
  memory = next;
  try {
    localStorage.setItem(key, JSON.stringify(next));
    return true;
  } catch {
    return false;
  }
}

const clockOf = (at: Date) => at.getHours() * 60 + at.getMinutes();
const isAwake = (at: Date) => sinceUp(clockOf(at)) <= sinceWaking(data.sleeps, data);
/** Minutes since getting up, of a minute of the day. */
const sinceUp = (minute: number) => (minute - minuteOf(data.wakes) + 1440) % 1440;
const localDay = (at: Date) =>
  `${at.getFullYear()}-${String(at.getMonth() + 1).padStart(2, '0')}-${String(at.getDate()).padStart(2, '0')}`;
/**
 * Days since the plan began, by the phone's own calendar: below 0 before it, from `days` on after it. Who goes to sleep after midnight
 * is still in the day before.
 */
function dayOfPlan(at = new Date()): number {
  const late = data.sleeps < data.wakes && isAwake(at) && clockOf(at) < minuteOf(data.wakes) ? 1 : 0;
  return daysBetween(data.from, localDay(at)) - late;
}
tellDatesIn(data.manner);
const dateOf = (day: number) => addDays(data.from, day);
const dated = (day: number) => dayInWords(dateOf(day), dateOf(day));

type Child = Node | string | null;
function make<K extends keyof HTMLElementTagNameMap>(
  tag: K,
  props: Partial<Record<string, string | ((event: Event) => void)>> = {},
  ...children: Child[]
): HTMLElementTagNameMap[K] {
  const element = document.createElement(tag);
  for (const [name, value] of Object.entries(props)) {
    if (typeof value === 'function') element.addEventListener(name, value);
    else if (value !== undefined) element.setAttribute(name, value);
  }
  element.append(...children.filter((child): child is Node | string => child !== null));
  return element;
}
const svgOf = (markup: string): Node =>
  document.importNode(new DOMParser().parseFromString(markup, 'image/svg+xml').documentElement, true);
const itemOf = (id: string): PhoneItem | undefined => data.items.find((item) => item.id === id);

let close: () => void = () => undefined;
/** Puts a view in the place of the one before; its heading is read out and has the focus. */
function show(...children: Child[]) {
  close();
  close = () => undefined;
  root.replaceChildren(...children.filter((child): child is Node | string => child !== null));
  window.scrollTo(0, 0);
  root.querySelector<HTMLElement>('h1')?.focus();
}
const heading = (words: string) => make('h1', { tabindex: '-1' }, words);
const top = () => make('p', { class: 'top' }, make('span', {}, data.studio), make('span', {}, 'works offline'));

const doneOn = (day: number): readonly string[] => kept().done[String(day)] ?? [];
function tick(day: number, goId: string, on: boolean) {
  const now = kept();
  const before = now.done[String(day)] ?? [];
  const after = on ? [...new Set([...before, goId])] : before.filter((id) => id !== goId);
  keep({ ...now, done: { ...now.done, [String(day)]: after } });
}

/** The day: its times on a line, what was done ticked, what comes next open to begin. */
function dayView(chosen?: number) {
  const today = dayOfPlan();
  const day = chosen ?? Math.max(0, Math.min(data.days - 1, today));
  const done = doneOn(day);
  const now = new Date();
  // Before they get up nothing of the day has passed.
  const clock = isAwake(now) ? sinceUp(clockOf(now)) : 0;
  const next =
    data.goes.find((go) => !done.includes(go.id) && sinceWaking(go.at, data) >= clock - 45) ??
    data.goes.find((go) => !done.includes(go.id));
  const nextItem = next && itemOf(next.itemId);
  const list = make('ol', { class: 'day' });
  for (const go of data.goes) {
    const item = itemOf(go.itemId);
    if (!item) continue;
    const ticked = done.includes(go.id);
    const passed = !ticked && day === today && go !== next && sinceWaking(go.at, data) < clock;
    const box = make('input', {
      type: 'checkbox',
      'aria-label': `${item.name}, ${go.at}${go.with ? `, ${go.with}` : ''}: done`,
      change: (event) => {
        tick(day, go.id, (event.target as HTMLInputElement).checked);
        dayView(day);
      },
    });
    box.checked = ticked;
    list.append(
      make(
        'li',
        { class: ticked ? 'done' : go === next ? 'next' : passed ? 'passed' : '' },
        make('span', { class: 'clock' }, go.at),
        make('label', { class: 'tick' }, box),
        make(
          'div',
          { class: 'what' },
          make('strong', {}, item.name),
          make(
            'span',
            {},
            [item.dose, go.with, ticked ? 'done' : passed ? 'not ticked' : ''].filter(Boolean).join(', '),
          ),
          go === next
            ? make(
                'div',
                { class: 'begin' },
                svgOf(item.figure),
                make('button', { class: 'strong', type: 'button', click: () => beginView(item, day, go.id) }, 'Begin'),
              )
            : make(
                'button',
                { class: 'quiet', type: 'button', click: () => beginView(item, day, go.id) },
                'Look or begin',
              ),
        ),
      ),
    );
  }
  const outside =
    today < 0
      ? `This begins on ${dated(0)}. You can try it today.`
      : today >= data.days
        ? `The ${data.days} days are over since ${dated(data.days - 1)}. Take the code to your coach.`
        : null;
  show(
    top(),
    heading(`${weekdayAndDay(dateOf(day))}`),
    make(
      'p',
      { class: 'soft' },
      outside ??
        (nextItem && next
          ? `Next: ${nextItem.name}${next.with ? `, ${next.with}` : ''}. ${nextItem.dose}.`
          : 'Everything is done today.'),
    ),
    list,
    make('p', { class: 'stop' }, data.stop),
    make(
      'nav',
      { 'aria-label': 'Days and code' },
      make(
        'button',
        { type: 'button', click: () => dayView(Math.max(0, day - 1)), ...(day === 0 ? { disabled: '' } : {}) },
        'Day before',
      ),
      make(
        'button',
        {
          type: 'button',
          click: () => dayView(Math.min(data.days - 1, day + 1)),
          ...(day === data.days - 1 ? { disabled: '' } : {}),
        },
        'Day after',
      ),
      make('button', { class: 'strong', type: 'button', click: () => codeView() }, 'Your code'),
    ),
    make('p', { class: 'soft small' }, data.notice),
  );
}

/** How something is done, and the way to begin it. */
function beginView(item: PhoneItem, day: number, goId: string) {
  show(
    top(),
    heading(item.name),
    make('p', { class: 'soft' }, item.dose),
    make('div', { class: 'figure' }, svgOf(item.figure)),
    make('p', {}, item.where),
    make('ul', {}, ...item.steps.map((step) => make('li', {}, step))),
    item.feels ? make('p', {}, make('strong', {}, 'Feels like: '), item.feels) : null,
    item.notMeant ? make('p', {}, make('strong', {}, 'Not meant: '), item.notMeant) : null,
    make('p', { class: 'stop' }, data.stop),
    make(
      'nav',
      { 'aria-label': 'Begin or go back' },
      make('button', { type: 'button', click: () => dayView(day) }, 'Back'),
      make('button', { class: 'strong', type: 'button', click: () => runView(item, day, goId) }, 'Begin'),
    ),
  );
}

interface Laid {
  from: number;
  to: number;
  plan: BreathPlan | null;
  side: 'left' | 'right' | null;
  words: string;
}
const readySeconds = 5;

function laidOut(item: PhoneItem): Laid[] {
  let at = readySeconds;
  return [
    { from: 0, to: readySeconds, plan: null, side: null, words: 'Get ready' },
    ...item.pieces.map((piece): Laid => {
      const plan = piece.kind === 'breaths' ? planBreaths(piece.stretches) : null;
      const from = at;
      at += piece.kind === 'breaths' ? plan!.totalSeconds : piece.seconds;
      return {
        from,
        to: at,
        plan,
        side: piece.kind === 'breaths' ? piece.side : null,
        words: piece.kind === 'rest' ? piece.words : '',
      };
    }),
  ];
}

const phaseWords = { inhale: 'In', topPause: 'Wait', exhale: 'Out', bottomPause: 'Wait' } as const;

/** The pacer: a channel in which a level climbs and falls, one word, one count. */
function runView(item: PhoneItem, day: number, goId: string) {
  const laid = laidOut(item);
  const whole = laid.at(-1)!.to;
  const breathsIn = laid.map(({ plan }) => plan?.cadences.length ?? 0);
  const all = breathsIn.reduce((sum, count) => sum + count, 0);
  let startedMs = performance.now();
  let waitedAtMs: number | null = null;
  let frame = 0;
  let lastPhase = '';
  let sound = true;
  const audio = typeof AudioContext === 'undefined' ? null : new AudioContext();
  let lock: { release: () => Promise<void> } | null = null;
  const wake = () => {
    const { wakeLock } = navigator as {
      wakeLock?: { request: (kind: 'screen') => Promise<{ release: () => Promise<void> }> };
    };
    // Where the screen can't be kept awake, the practice still goes on.
    wakeLock?.request('screen').then(
      (got) => (lock = got),
      () => undefined,
    );
  };
  wake();

  const word = make('p', { class: 'word', 'aria-live': 'off' });
  const count = make('p', { class: 'count', 'aria-hidden': 'true' });
  const place = make('p', { class: 'place' });
  const side = make('p', { class: 'side' });
  const water = make('div', { class: 'water' });
  const channel = make('div', { class: 'channel', 'aria-hidden': 'true' }, water);
  const soundButton = make('button', { class: 'quiet', type: 'button', click: () => toggleSound() }, 'sound on');
  const waitButton = make('button', { type: 'button', click: () => wait() }, 'Wait');
  function toggleSound() {
    sound = !sound;
    soundButton.textContent = sound ? 'sound on' : 'sound off';
  }
  function wait() {
    if (waitedAtMs === null) waitedAtMs = performance.now();
    else {
      startedMs += performance.now() - waitedAtMs;
      waitedAtMs = null;
      wake();
    }
    waitButton.textContent = waitedAtMs === null ? 'Wait' : 'Go on';
  }
  function play(phase: keyof typeof phaseTones) {
    if (!audio || !sound) return;
    const { from, to, seconds, loudness } = phaseTones[phase];
    const tone = audio.createOscillator();
    const volume = audio.createGain();
    const at = audio.currentTime;
    tone.frequency.setValueAtTime(from, at);
    tone.frequency.exponentialRampToValueAtTime(to, at + seconds);
    volume.gain.setValueAtTime(0, at);
    volume.gain.linearRampToValueAtTime(0.25 * loudness, at + 0.02);
    volume.gain.setTargetAtTime(0, at + seconds * 0.6, seconds * 0.2);
    tone.connect(volume).connect(audio.destination);
    tone.start(at);
    tone.stop(at + seconds * 2);
  }
  // Out of sight nothing paces: it waits, and is not counted as done.
  const hidden = () => {
    if (document.hidden && waitedAtMs === null) wait();
  };
  document.addEventListener('visibilitychange', hidden);
  const ended = () => {
    tick(day, goId, true);
    doneView(item, day);
  };
  const still = matchMedia('(prefers-reduced-motion: reduce)').matches;
  const draw = () => {
    frame = requestAnimationFrame(draw);
    if (waitedAtMs !== null) return;
    const t = (performance.now() - startedMs) / 1000;
    if (t >= whole) return ended();
    const at = laid.findIndex(({ to }) => t < to);
    const piece = laid[at]!;
    const before = breathsIn.slice(0, at).reduce((sum, one) => sum + one, 0);
    if (!piece.plan) {
      word.textContent = piece.words;
      count.textContent = String(Math.ceil(piece.to - t));
      place.textContent = before > 0 ? `${before} of ${all}` : '';
      side.textContent = '';
      water.dataset.phase = 'rest';
      water.style.setProperty('--level', '0');
      lastPhase = '';
      return;
    }
    const { phase, intoSeconds, level, breath } = phaseAt(piece.plan, t - piece.from);
    const now = `${at} ${breath} ${phase}`;
    if (now !== lastPhase) {
      lastPhase = now;
      play(phase);
      word.textContent = phaseWords[phase];
      word.dataset.phase = phase;
      water.dataset.phase = phase;
      place.textContent = `${before + breath + 1} of ${all}`;
      side.textContent = piece.side ? `the ${piece.side} side` : '';
    }
    count.textContent = String(Math.floor(intoSeconds) + 1);
    water.style.setProperty('--level', String(still ? Math.round(level * 4) / 4 : level));
  };
  show(
    make('p', { class: 'top' }, make('span', {}, item.name), soundButton),
    make('h1', { tabindex: '-1', class: 'hidden' }, `${item.name}: breathe with it`),
    make(
      'div',
      { class: 'run' },
      channel,
      make('div', { class: 'now' }, word, count, place, side, make('p', { class: 'cue' }, item.cue)),
    ),
    make(
      'nav',
      { 'aria-label': 'Wait or stop' },
      waitButton,
      make('button', { class: 'halt', type: 'button', click: () => stoppedView(day) }, 'Stop'),
    ),
  );
  draw();
  close = () => {
    document.removeEventListener('visibilitychange', hidden);
    cancelAnimationFrame(frame);
    void audio?.close();
    void lock?.release();
  };
}

function stoppedView(day: number) {
  show(
    top(),
    heading('Breathe normally'),
    make(
      'p',
      {},
      'Nothing more to do now. If it does not settle, leave it for today and tell your coach. If you feel ill, get help.',
    ),
    signsBox(),
    make(
      'nav',
      { 'aria-label': 'Back' },
      make('button', { class: 'strong', type: 'button', click: () => dayView(day) }, 'Back to the day'),
    ),
  );
}

function doneView(item: PhoneItem, day: number) {
  show(
    top(),
    heading('Done'),
    make('p', {}, 'It is ticked for today.'),
    feltBox(item),
    make(
      'nav',
      { 'aria-label': 'Back' },
      make('button', { class: 'strong', type: 'button', click: () => dayView(day) }, 'Back to the day'),
    ),
  );
}

function feltBox(item: PhoneItem): HTMLElement {
  const box = make('fieldset', {}, make('legend', {}, `${item.name}, over these days, is`));
  for (const level of feltLevels.slice(1)) {
    const input = make('input', {
      type: 'radio',
      name: item.id,
      change: () => keep({ ...kept(), felt: { ...kept().felt, [item.id]: level } }),
    });
    input.checked = kept().felt[item.id] === level;
    box.append(make('label', { class: 'choice' }, input, ` ${level}`));
  }
  return box;
}

function signsBox(after: () => void = () => undefined): HTMLElement {
  const box = make('fieldset', {}, make('legend', {}, 'Did any of this come up?'));
  for (const sign of homeSigns) {
    const input = make('input', {
      type: 'checkbox',
      change: () => {
        const now = kept();
        keep({
          ...now,
          signs: now.signs.includes(sign) ? now.signs.filter((one) => one !== sign) : [...now.signs, sign],
        });
        after();
      },
    });
    input.checked = kept().signs.includes(sign);
    box.append(make('label', { class: 'choice' }, input, ` ${sign}`));
  }
  return box;
}

/** What was ticked as the code has it: per day and thing none, some or all of its goes. */
function codeNow(): string {
  const { done, felt, signs } = kept();
  const asked = data.items.slice(0, 3);
  const levels = Array.from({ length: 14 }, (_, day) =>
    asked.map((item): DoneLevel => {
      const goes = data.goes.filter(({ itemId }) => itemId === item.id);
      const ticked = goes.filter(({ id }) => (done[String(day)] ?? []).includes(id)).length;
      return ticked === 0 ? 'none' : ticked < goes.length ? 'some' : 'all';
    }),
  );
  return codeOf(
    {
      done: levels,
      felt: asked.map(({ id }) => felt[id] ?? 'not said'),
      signs: homeSigns.filter((sign) => signs.includes(sign)),
    },
    data.planId,
  );
}

function codeView() {
  const letters = make('p', { class: 'code', 'aria-label': 'Your code, letter by letter' });
  const write = () => {
    letters.replaceChildren(
      ...codeNow()
        .split(' ')
        .map((group) => make('span', {}, [...group].join(' '))),
    );
  };
  const asked = data.goes.length * data.days;
  const ticked = Object.values(kept().done).reduce((sum, list) => sum + list.length, 0);
  const felt = make('div', { change: write });
  felt.append(...data.items.slice(0, 3).map((item) => feltBox(item)));
  write();
  show(
    top(),
    heading('Your code'),
    make(
      'p',
      {},
      'Read it to your coach, or copy it on your sheet. It says what you ticked and nothing else. Nothing leaves this phone by itself.',
    ),
    letters,
    make('p', {}, make('strong', {}, `${ticked} of ${asked} ticked.`)),
    felt,
    signsBox(write),
    make(
      'nav',
      { 'aria-label': 'Back' },
      make('button', { class: 'strong', type: 'button', click: () => dayView() }, 'Back'),
    ),
  );
}

dayView();
