import { notFound } from 'next/navigation';
import { ScreenStation } from '@/stations/screen/ScreenStation';
import { loadComing } from '../../../../../diary';
import { loadForScreen } from '../../../../../load';

export default async function ScreenPage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const view = loadForScreen(clientId);
  const coming = loadComing(clientId);
  if (!view || !coming) notFound();
  return <ScreenStation view={view} coming={coming} />;
}
