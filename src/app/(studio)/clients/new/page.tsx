import { NewClient } from '@/stations/today/NewClient';
import { one } from '../../../query';
import { StudioShell } from '../../StudioShell';

export const metadata = { title: 'Add a client' };

export default async function NewClientPage({ searchParams }: { searchParams: Promise<{ name?: string | string[] }> }) {
  const name = one((await searchParams).name);
  return (
    <StudioShell>
      <h1 className="text-2xl">Add a client</h1>
      <p className="mb-5 text-ink2">A name is enough to begin; the rest is asked at Screen.</p>
      <NewClient called={name} />
    </StudioShell>
  );
}
