import { type Phase } from '@/core/cadence';
import { type RunState } from '@/core/coach';

/** The colour a phase is read in, across the room. */
export const phaseInk: Record<Phase, string> = {
  inhale: 'text-inhale',
  topPause: 'text-ink',
  exhale: 'text-exhale',
  bottomPause: 'text-ink',
};

/** Held by hand or by an absence: one word, and how it goes on. */
export const WaitingWords = ({ pausedBy, phase }: Pick<RunState, 'pausedBy'> & { phase: Phase }) => (
  <span className="flex min-w-0 flex-wrap items-end gap-x-8 gap-y-1">
    <span
      className="text-[min(4.5rem,21cqw)] leading-none font-bold text-ink2 lg:text-[min(7rem,14dvh,21cqw)]"
      data-phase={phase}
    >
      WAITING
    </span>
    <span className="block text-3xl font-semibold">
      {pausedBy === 'gap' ? 'Back where you left it. Tap, or Space, to go on.' : 'Tap, or Space, to go on.'}
    </span>
  </span>
);
