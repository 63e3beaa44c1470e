import { notFound } from 'next/navigation';
import { DrillEditor } from '@/stations/catalogue/DrillEditor';
import { loadCatalogue } from '../../load';

export const metadata = { title: 'Edit a drill' };

export default async function EditDrillPage({ params }: { params: Promise<{ drillId: string }> }) {
  const { drillId } = await params;
  const { own } = loadCatalogue();
  const found = own.find(({ drill }) => drill.id === drillId);
  if (!found) notFound();
  return (
    <>
      <h1 className="mb-4 text-2xl">{found.drill.name}</h1>
      <DrillEditor
        key={`${drillId} ${found.revision}`}
        initial={found.drill}
        revision={found.revision}
        own={own.map(({ drill }) => drill)}
      />
    </>
  );
}
