import { type Bundle, bundleOf } from '@/core/fhir';
import { type Kept } from '@/core/track';
import { homeOf, type theStore } from '@/store';

/** What is kept of a client as a bundle for another system; what went home with each of their visits among it. */
export function fhirOf(
  store: ReturnType<typeof theStore>,
  client: { id: string; name: string; born: string | null },
  studio: string,
  kept: Kept,
): Bundle {
  const homes = kept.visits.flatMap(({ id }) => {
    const home = homeOf(store, id);
    return home && home.handedAt !== null ? [{ visitId: id, plan: home.plan }] : [];
  });
  return bundleOf({ ...kept, client, studio, homes, exportedAt: new Date().toISOString() });
}
