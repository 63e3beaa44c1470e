import { findDrill } from '../catalogue';
import { idOf, planItem } from '../fixtures';
import {
  type RemoteAct,
  type RemoteFrame,
  type RunEvent,
  foldRun,
  pressHolds,
  pressWithinMs,
  remoteFrame,
  remoteFrameSchema,
} from '.';

const item = planItem({ drillId: 'towel-hug', props: ['towel'], breaths: 5 });
const items = [item, { ...item, id: idOf(90), drillId: 'quiet-nose', props: [] }];
const after = (...events: RunEvent[]) =>
  foldRun(
    items,
    events.map((event, seq) => ({ id: idOf(seq), seq, atEpochMs: seq * 1000, event })),
  );
const begun: RunEvent = { type: 'start' };
const atOnce: RunEvent = { type: 'jump', toSeconds: 20, why: 'ready' };
const wait: RunEvent = { type: 'pause', why: 'by hand' };
const stop: RunEvent = { type: 'stop', item: 0 };
const more = { cue: 'Fill the towel behind', landed: false, easier: 'the same, lying', names: [], taken: [] };
const frameOf = (...events: RunEvent[]) => remoteFrame(after(...events), events.length * 1000, more);
const pressed = (act: RemoteAct, at: number, place?: number) => ({
  id: idOf(1),
  act,
  at,
  ...(place === undefined ? {} : { place }),
});

test('a remote says what its large place does, and what is being done', () => {
  expect(frameOf().main).toBe('begin');
  expect(frameOf(begun)).toMatchObject({ main: 'wait', drill: findDrill('towel-hug')!.name, between: true });
  expect(frameOf(begun, atOnce)).toMatchObject({ main: 'wait', between: false, next: findDrill('quiet-nose')!.name });
  expect(frameOf(begun, atOnce, { type: 'pace', item: 0, mode: 'follow' }).main).toBe('tap');
  expect(frameOf(begun, atOnce, { type: 'pace', item: 0, mode: 'tapped' }).main).toBe('tap');
  expect(frameOf(begun, wait)).toMatchObject({ main: 'go on', talk: false });
  expect(frameOf(begun, { type: 'pause', why: 'talk' }).talk).toBe(true);
  expect(frameOf(begun, stop)).toMatchObject({ main: null, status: 'stopped' });
});

test('however long the words of a drill of one’s own, they are what a remote may be sent', () => {
  const long = { ...more, cue: 'x'.repeat(500), easier: 'y'.repeat(500), names: ['neck', 'bearing-down'] as never };
  expect(remoteFrameSchema.safeParse(remoteFrame(after(begun), 0, { ...long, names: [] })).success).toBe(true);
});

/** What is meant by a press, and when it is no longer meant. Common practice, no published source: a late press never does the opposite. */
const running = frameOf(begun, atOnce);
const paused = frameOf(begun, atOnce, wait);
const stopped = frameOf(begun, stop);
test.each<[string, boolean, RemoteAct, RemoteFrame, number?, number?]>([
  ['waits a run that goes on', true, 'wait', running],
  ['a second wait does not go on', false, 'wait', paused],
  ['goes on from a wait', true, 'go on', paused],
  ['a second go on does not wait', false, 'go on', running],
  ['begins what has not begun', true, 'begin', frameOf()],
  ['begins nothing twice', false, 'begin', running],
  ['taps only where taps are waited for', false, 'tap', running],
  ['goes to the next from where it was pressed', true, 'next', running, running.at],
  ['does not go past one that has come by itself', false, 'next', running, running.at - 1],
  ['stops from any stretch', true, 'stop', running, running.at - 3],
  ['stops a run that waits', true, 'stop', paused],
  ['stops nothing twice', false, 'stop', stopped],
  ['marks nothing after a stop', false, 'fault', stopped],
  ['names nothing that was not offered', false, 'name', running, running.at, 0],
])('a press of a remote %s', (_, holds, act, frame, at = frame.at, place?: number) => {
  expect(pressHolds(pressed(act, at, place), frame, 100)).toBe(holds);
});

// Of another stretch, what would now mean another drill, another cue or another name is left; the rest is meant whenever it comes.
test.each([
  ['next', false],
  ['back', false],
  ['easier', false],
  ['name', false],
  ['cue', false],
  ['fault', true],
  ['talk', true],
  ['undo', true],
  ['wait', true],
] as const)('%s pressed in the stretch before holds: %s', (act, holds) => {
  const named = { ...running, names: ['The neck works'] };
  expect(pressHolds(pressed(act, running.at, 0), named, 100)).toBe(true);
  expect(pressHolds(pressed(act, running.at - 1, 0), named, 100)).toBe(holds);
});

test('a press that lay somewhere is not carried out, but for a stop', () => {
  expect(pressHolds(pressed('wait', running.at), running, pressWithinMs)).toBe(true);
  expect(pressHolds(pressed('wait', running.at), running, pressWithinMs + 1)).toBe(false);
  expect(pressHolds(pressed('stop', running.at), running, 60_000)).toBe(true);
});
