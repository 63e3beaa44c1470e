import { ClientScreen } from '@/stations/coach/ClientScreen';

export const metadata = { title: 'Breathe' };

export default function ClientWindowPage() {
  return <ClientScreen />;
}
