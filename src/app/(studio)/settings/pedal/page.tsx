import { PedalLearner } from '@/stations/settings/PedalLearner';
import { loadSettings } from '../../../load';
import { StudioShell } from '../../StudioShell';

export const metadata = { title: 'Presenter or pedal' };

export default function PedalPage() {
  return (
    <StudioShell>
      <h1 className="mb-4 text-2xl">Presenter or pedal</h1>
      <PedalLearner keys={loadSettings().pedalKeys} />
    </StudioShell>
  );
}
