import { often } from '@/core/reasons';
import { dayInWords } from '@/core/record';

/** What was asked at home after a visit, and what of it came back. */
export interface HomeKept {
  day: string;
  /** The next visit, or the last day it was asked for. */
  until: string;
  /** Days it was asked for, and times a day. */
  days: number;
  times: number;
  /** Days on which something of it was done; null where no code came back. */
  done: number | null;
  /** In words, as the code told it; null where no code came back. */
  told: string | null;
}

/** Practice done against asked, visit by visit. */
export function AtHome({ kept, today }: { kept: readonly HomeKept[]; today: string }) {
  if (kept.length === 0) return null;
  return (
    <section aria-labelledby="athome" className="mt-8 border-t border-ink pt-4">
      <h2 id="athome" className="text-lg">
        At home
      </h2>
      <ol className="mt-1">
        {kept.map(({ day, days, times, told }) => (
          <li key={day} className="border-b border-rule py-1.5">
            <strong>From {dayInWords(day, today)}</strong>
            <span className="text-ink2">
              , asked {often(times)} a day for {days} days:
            </span>{' '}
            {told ?? 'no code came back yet.'}
          </li>
        ))}
      </ol>
    </section>
  );
}
