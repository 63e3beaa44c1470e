import { type Metadata } from 'next';
import { Claim } from '@/stations/live/Claim';
import { RemoteScreen } from '@/stations/live/RemoteScreen';
import { SecondScreen } from '@/stations/live/SecondScreen';
import { Told } from '@/stations/live/Told';

export const metadata: Metadata = { title: 'Breathe', robots: { index: false, follow: false } };

/** A device in the room that goes along with a run: by the code it just read, or as what it has become by it. */
export default async function PairedPage({ params }: { params: Promise<{ word: string }> }) {
  const { word } = await params;
  if (word === 'screen') return <SecondScreen />;
  if (word === 'remote') return <RemoteScreen />;
  return /^[\w-]{43}$/.test(word) ? <Claim code={word} /> : <Told>This is no code.</Told>;
}
