import { ClientScreen } from '@/stations/live/ClientScreen';

export const metadata = { title: 'Breathe' };

export default function ClientWindowPage() {
  return <ClientScreen />;
}
