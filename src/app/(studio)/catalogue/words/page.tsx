import { PropsCuesFaults } from '@/stations/catalogue/Reference';
import { loadCatalogue } from '../load';

export const metadata = { title: 'Props, cues, faults' };

export default function WordsPage() {
  return (
    <>
      <h1 className="mb-3 text-2xl">Props, cues and faults</h1>
      <PropsCuesFaults drills={loadCatalogue().all} />
    </>
  );
}
