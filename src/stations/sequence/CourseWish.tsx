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
