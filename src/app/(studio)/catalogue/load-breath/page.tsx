import { LoadStation } from '@/stations/load/LoadStation';
import { loadSettings } from '../../../load';

export const metadata = { title: 'Breath under load' };

export default function LoadPage() {
  return <LoadStation keepAs="catalogue" weights={loadSettings().weightUnit} gates={null} cautions={null} />;
}
