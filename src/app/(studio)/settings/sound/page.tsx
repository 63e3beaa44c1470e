import { SoundCheck } from '@/stations/settings/SoundCheck';
import { loadSettings } from '../../../load';
import { StudioShell } from '../../StudioShell';

export const metadata = { title: 'Sound' };

export default function SoundPage() {
  return (
    <StudioShell>
      <h1 className="mb-4 text-2xl">Sound</h1>
      <SoundCheck settings={loadSettings()} />
    </StudioShell>
  );
}
