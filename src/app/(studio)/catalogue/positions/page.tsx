import { Positions } from '@/stations/catalogue/Reference';
import { loadCatalogue } from '../load';

export const metadata = { title: 'Positions' };

export default function PositionsPage() {
  return (
    <>
      <h1 className="mb-3 text-2xl">Positions, easiest to hardest</h1>
      <Positions drills={loadCatalogue().all} />
    </>
  );
}
