import { clientFigure } from '@/core/coach';
import { type PlanItem, knownDrill } from '@/core/sequence';
import { LateBody } from '@/parts/figures/body/LateBody';

/** How an item of a plan is done, small, beside its words. Nothing where its drill is no longer known. */
export function ItemFigure({ item, week, className }: { item: PlanItem; week?: number; className: string }) {
  if (!knownDrill(item)) return null;
  const { spec, opened } = clientFigure(item, item.side, week);
  return <LateBody small spec={spec} opened={opened} className={className} />;
}
