import { notFound, redirect } from 'next/navigation';
import { loadClient } from '../../../load';

/** A client's door leads to where the work stands: the first station of today's visit with nothing in it yet. */
export default async function ClientPage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const view = loadClient(clientId);
  if (!view) notFound();
  const { visit, path } = view;
  const station =
    !visit || path.state !== 'open'
      ? 'screen'
      : visit.runs.length > 0
        ? 'track'
        : visit.plan
          ? 'coach'
          : visit.reading
            ? 'sequence'
            : visit.looks.length > 1
              ? 'read'
              : 'look';
  redirect(`/clients/${clientId}/${station}`);
}
