import { notFound } from 'next/navigation';
import { ScreenStation } from '@/stations/screen/ScreenStation';
import { loadClient } from '../../../../load';

export default async function ScreenPage({ params }: { params: Promise<{ clientId: string }> }) {
  const view = loadClient((await params).clientId);
  if (!view) notFound();

  return <ScreenStation view={view} />;
}
