import { useState } from 'react';
import { findDrill } from '@/core/catalogue';
import { type Course, departureOf, stepInWords } from '@/core/course';
import { type PlanItem } from '@/core/sequence';
import { Button } from '@/parts/Button';

/** What of a course today's plan is asked for. */
export type Wish = { step: Course['steps'][number]; number: number };

/** What the course asks for today, and where the plan departs from it. Asking for it plans anew with it. */
export function CourseWish({
  wish,
  items,
  onAsk,
}: {
  wish: Wish;
  items: readonly PlanItem[];
  onAsk: (drillId: string) => void;
}) {
  const departs = departureOf(wish.step, items);
  return (
    <p className="my-2 flex flex-wrap items-center gap-x-3" data-course-wish>
      <span>
        The course asks today for step {wish.number}: {stepInWords(wish.step)}
        {departs === null ? '; it is in this plan.' : `; it is ${departs}.`}
      </span>
      {departs === 'not in this plan' && <Button onClick={() => onAsk(wish.step.drillId)}>Plan with it</Button>}
    </p>
  );
}

/** The rung of the ladder that comes next. */
export interface NextRung {
  drillId: string;
  name: string;
  number: number;
  of: number;
}

/** What the ladder from the mat into life asks for today; one press puts it in, in the form this client needs. */
export function RungWish({
  rung,
  items,
  onPut,
}: {
  rung: NextRung;
  items: readonly PlanItem[];
  /** Why it can't be put in, in one sentence; null where it is in. */
  onPut: (drillId: string) => Promise<string | null>;
}) {
  const [refused, setRefused] = useState<string | null>(null);
  const there = items.some(({ drillId }) => drillId === rung.drillId);
  return (
    <div className="my-2" data-rung>
      <p className="flex flex-wrap items-center gap-x-3">
        <span>
          Rung {rung.number} of {rung.of} from the mat into life: {rung.name}, {findDrill(rung.drillId)?.name}
          {there ? '; it is in this plan.' : '.'}
        </span>
        {!there && <Button onClick={() => void onPut(rung.drillId).then(setRefused)}>Put it in</Button>}
      </p>
      {refused && !there && (
        <p role="alert" className="font-semibold">
          {refused}
        </p>
      )}
    </div>
  );
}
