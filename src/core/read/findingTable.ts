import { type FindingId, type ProtocolId, protocolIds, protocols } from '../look';

interface FindingRow {
  words: string;
  /** The protocol that would settle it when it is missing. */
  settledBy: ProtocolId;
}

/** Every finding the protocols can settle, as each protocol states its own. */
export const findingTable = Object.fromEntries(
  protocolIds.flatMap((id) =>
    Object.entries<string>(protocols[id].findings).map(([finding, words]) => [finding, { words, settledBy: id }]),
  ),
) as Readonly<Record<FindingId, FindingRow>>;

/** Findings that are marked because something is free: they call for nothing. */
export const freeFindings: readonly FindingId[] = [
  'sidesOpen',
  'backsOpen',
  'allAvailable',
  'bellyLeads',
  'bendDisagrees',
];

export const findingIds = Object.keys(findingTable) as [FindingId, ...FindingId[]];
