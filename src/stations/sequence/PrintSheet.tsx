'use client';

import { positions } from '@/core/catalogue';
import { notice } from '@/core/formats';
import { type Settings } from '@/core/record';
import { intentInWords } from '@/core/read';
import { type Plan, drillOf, knownDrill } from '@/core/sequence';
import { scoreSheetSvg } from '@/parts/figures/score/scoreSheet';
import { cadencesInWords, doseInWords } from '@/core/coach';
import { WhilePrinting } from '@/parts/WhilePrinting';
import { scoreItems } from './words';

interface PrintSheetProps {
  plan: Plan;
  settings: Pick<Settings, 'studioName' | 'weightUnit'>;
}

/** The printed sheet, made only when something is about to be printed. */
export const PrintSheet = ({ plan, settings }: PrintSheetProps) => (
  <WhilePrinting>{() => <Sheet plan={plan} settings={settings} />}</WhilePrinting>
);

/** What is printed: the score on the first page, how each drill is done on the next. Nothing of the client is on it. */
function Sheet({ plan, settings: { studioName: studio, weightUnit } }: PrintSheetProps) {
  const title = intentInWords(plan.request.intent, plan.request.side ?? undefined);
  const svg = scoreSheetSvg(scoreItems(plan, [], weightUnit), { title, studio, minutes: plan.request.minutes });
  return (
    <div className="hidden print:block" data-print>
      {/* Drawn by our own geometry; every word in it is escaped there. */}
      <div className="break-after-page [&>svg]:w-full" dangerouslySetInnerHTML={{ __html: svg }} />
      <ol className="text-sm">
        {plan.items
          .filter((item) => knownDrill(item))
          .map((item, i) => {
            const drill = drillOf(item);
            return (
              <li key={item.id} className="mb-3 break-inside-avoid">
                <strong>
                  {i + 1}. {drill.name}
                </strong>
                , {item.position}, {doseInWords(item, weightUnit)}, {cadencesInWords(item)}.{' '}
                {positions[item.position].setUp} {drill.setUp} {drill.steps.map(({ words }) => words).join(' ')} Pelvic
                floor: {drill.floorCue} Abdominals: {drill.abdominalCue}
              </li>
            );
          })}
      </ol>
      <p className="mt-4 text-xs">{notice}</p>
    </div>
  );
}
