import { LoadStation } from '@/stations/load/LoadStation';

export const metadata = { title: 'Breath under load' };

export default function LoadPage() {
  return <LoadStation keepAs="catalogue" gates={null} cautions={null} />;
}
