import { EmptyState } from '@/parts/Notice';
import { LinkButton } from '@/parts/Button';
import { Compare } from '@/stations/catalogue/Compare';
import { one } from '../../../query';
import { loadCatalogue } from '../load';

export const metadata = { title: 'Compare two drills' };

export default async function ComparePage({
  searchParams,
}: {
  searchParams: Promise<{ a?: string | string[]; b?: string | string[] }>;
}) {
  const asked = await searchParams;
  const { find, names } = loadCatalogue();
  const [first, other] = [find(one(asked.a)), find(one(asked.b))];
  if (!first || !other) {
    return (
      <EmptyState title="Choose two drills to compare.">
        <LinkButton href="/catalogue">To the drills</LinkButton>
      </EmptyState>
    );
  }
  return (
    <>
      <h1 className="mb-4 text-2xl">Two drills side by side</h1>
      <Compare pair={[first, other]} names={names} />
    </>
  );
}
