import { SchoolsDiffer } from '@/stations/catalogue/SchoolsDiffer';
import { loadCatalogue } from '../load';

export const metadata = { title: 'Where schools differ' };

export default function SchoolsPage() {
  return (
    <>
      <h1 className="mb-3 text-2xl">Where schools differ</h1>
      <SchoolsDiffer drills={loadCatalogue().all} />
    </>
  );
}
