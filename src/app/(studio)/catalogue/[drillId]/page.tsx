import { type Metadata } from 'next';
import { notFound } from 'next/navigation';
import { DrillPage } from '@/stations/catalogue/DrillPage';
import { loadCatalogue } from '../load';

type Props = { params: Promise<{ drillId: string }> };

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: loadCatalogue().find((await params).drillId)?.name ?? 'Not found' };
}

export default async function CatalogueDrillPage({ params }: Props) {
  const { find, own, names } = loadCatalogue();
  const drill = find((await params).drillId);
  if (!drill) notFound();
  return <DrillPage key={drill.id} drill={drill} own={own.some((one) => one.drill.id === drill.id)} names={names} />;
}
