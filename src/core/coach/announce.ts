import { type Phase } from '../cadence';
import { type RunState, modeOf } from './run';
import { type RunPlace } from './timeline';

/** Phases shorter than this are not spoken: the next one would be talked over. */
const spokenFromSeconds = 1.5;

const spoken: Readonly<Record<Phase, string>> = {
  inhale: 'In',
  topPause: 'Wait',
  exhale: 'Out',
  bottomPause: 'Wait',
};

/**
 * What a screen reader is to say at this moment. It changes once a phase, never once a second, so that speech keeps up; the
 * breath is counted with the inhale, a side or a rest is named when it comes.
 *
 * @returns words that stay the same for as long as nothing new is to be said; empty for a phase too short to speak
 * @example announcement(state, placeAt(state, nineSecondsIn)) // 'Out'
 */
export function announcement(state: RunState, { item, timed, moment, over }: RunPlace): string {
  if (over || state.status === 'ended') return 'The plan is done.';
  if (state.status === 'stopped') return 'Stopped. Breathe normally.';
  if (state.status === 'paused') return state.pausedBy === 'talk' ? 'Held for a talk.' : 'Waiting.';
  if (state.status === 'ready') return '';
  const { segment } = timed;
  if (segment.kind === 'rest') return 'Rest.';
  if (segment.kind === 'stay') return 'Stay, and breathe.';
  if (segment.kind === 'change side') return `Now the ${segment.to} side.`;
  if (segment.kind === 'set-up' || !moment) return `Next position: ${state.items[item]!.position}.`;
  const count = timed.breaths?.cadences.length ?? 0;
  if (modeOf(state, item) === 'tapped') return `Repetition ${moment.breath + 1} of ${count}, at their own pace.`;
  if (moment.phaseSeconds < spokenFromSeconds) return '';
  const breath = modeOf(state, item) === 'follow' ? `${moment.breath + 1}` : `${moment.breath + 1} of ${count}`;
  return moment.phase === 'inhale' ? `${spoken.inhale}, ${breath}` : spoken[moment.phase];
}
