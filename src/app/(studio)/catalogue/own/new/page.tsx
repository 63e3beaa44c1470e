import { DrillEditor } from '@/stations/catalogue/DrillEditor';
import { blankDrill, copyOf } from '@/stations/catalogue/draft';
import { one } from '../../../../query';
import { loadCatalogue } from '../../load';

export const metadata = { title: 'A drill of your own' };

/** An id for a new drill that nobody has: the next free number. */
function freeId(taken: ReadonlySet<string>, base: string): string {
  let number = 1;
  while (taken.has(`${base}-${number}`)) number += 1;
  return `${base}-${number}`;
}

export default async function NewDrillPage({ searchParams }: { searchParams: Promise<{ from?: string | string[] }> }) {
  const from = one((await searchParams).from);
  const { find, own, all } = loadCatalogue();
  const source = find(from);
  const id = freeId(new Set(all.map((drill) => drill.id)), source ? `my-${source.id.replace(/^my-/, '')}` : 'my-drill');
  return (
    <>
      <h1 className="mb-4 text-2xl">{source ? `A drill of your own, from ${source.name}` : 'A drill of your own'}</h1>
      <DrillEditor
        initial={source ? copyOf(source, id) : blankDrill(id)}
        revision={0}
        own={own.map(({ drill }) => drill)}
      />
    </>
  );
}
