import { type ProtocolId } from './protocols';

/** Records that mean something else than they first did. Beside the protocols, so that a page need not load them to write one down. */
const changed: Readonly<Partial<Record<ProtocolId, number>>> = { marker: 2 };

/**
 * The version a record of a protocol is kept with.
 *
 * @example versionOf('quietLook') // 1
 */
export const versionOf = (protocol: ProtocolId): number => changed[protocol] ?? 1;
