import { type Segment } from '../dose';
import { specOf } from '../body';
import { type PlanItem, drillOf, motionOf, openedRegions } from '../sequence';
import { type ClientFigure, type ClientFrame } from './clientMessage';
import { type RunState, cursorAt, modeOf } from './run';
import { locate, timelineOf } from './timeline';

/**
 * The client's view of a run at a moment.
 *
 * @param nowEpochMs by the run's clock
 * @example clientFrame(state, nineSecondsIn, { showCount: true, cue: 'Fill the towel behind', figure: null }).kind // 'breathing'
 */
export function clientFrame(
  state: RunState,
  nowEpochMs: number,
  { showCount, cue, figure }: { showCount: boolean; cue: string; figure: ClientFigure | null },
): ClientFrame {
  if (state.status === 'stopped') return { kind: 'stopped' };
  const talk = state.status === 'paused' && state.pausedBy === 'talk';
  if (state.status === 'ready' || state.status === 'ended' || talk) return { kind: 'rest', words: 'Rest' };
  const cursor = cursorAt(state, nowEpochMs);
  const { timed, intoSeconds, over } = locate(timelineOf(state.items), cursor);
  if (!timed.breaths || over) {
    return { kind: 'rest', words: betweenWords(timed.segment) };
  }
  // Near the most nobody is paced: the window keeps still.
  if (modeOf(state, timed.item) === 'tapped') return { kind: 'rest', words: 'At your own pace' };
  return {
    kind: 'breathing',
    cadences: [...timed.breaths.cadences],
    startEpochMs: nowEpochMs - intoSeconds * 1000,
    stillAtSeconds: state.status === 'running' ? null : intoSeconds,
    showCount,
    cue,
    figure,
  };
}

/**
 * The body of an item of a plan as the client sees it: how it is done, what opens, how its breath moves.
 *
 * @param side the side that is worked just now
 * @param week of a pregnancy, where there is one
 * @example clientFigure(item, 'none').spec.position === item.position // true
 */
export function clientFigure(item: PlanItem, side: PlanItem['side'], week?: number): ClientFigure {
  const drill = drillOf(item);
  const opened = openedRegions(drill, side);
  const { position } = item;
  const { movement, hands, legs, band } = drill;
  const { side: worked, breathsEach, loaded } = specOf(drill, position, side);
  return {
    spec: {
      position,
      movement,
      hands,
      legs,
      band,
      props: [...item.props],
      side: worked,
      breathsEach,
      week,
      loaded,
    },
    opened,
    motion: motionOf(drill, side),
  };
}

function betweenWords(segment: Segment): string {
  if (segment.kind === 'change side') return `Now the ${segment.to} side`;
  return segment.kind === 'stay' ? 'Stay, and breathe' : 'Rest';
}
