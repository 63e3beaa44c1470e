import { CatalogueBrowser } from '@/stations/catalogue/CatalogueBrowser';
import { loadSettings, todayIn } from '../../load';
import { loadCatalogue } from './load';

export default function CataloguePage() {
  const { own } = loadCatalogue();
  return (
    <>
      <h1 className="mb-4 text-2xl">Drills</h1>
      <CatalogueBrowser own={own.map(({ drill }) => drill)} today={todayIn(loadSettings().timeZone)} />
    </>
  );
}
