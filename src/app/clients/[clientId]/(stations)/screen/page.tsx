import { notFound } from 'next/navigation';
import { ScreenStation } from '@/stations/screen/ScreenStation';
import { loadForScreen } from '../../../../load';

export default async function ScreenPage({ params }: { params: Promise<{ clientId: string }> }) {
  const view = loadForScreen((await params).clientId);
  if (!view) notFound();
  return <ScreenStation view={view} />;
}
