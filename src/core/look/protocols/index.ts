import type * as z from 'zod/mini';
import { calmHold } from './calmHold';
import { exhale } from './exhale';
import { fingerGap } from './fingerGap';
import { floor } from './floor';
import { frontOn } from './frontOn';
import { marker } from './marker';
import { pelvicRock } from './pelvicRock';
import { postureSearch } from './postureSearch';
import { questionnaire } from './questionnaire';
import { quietLook } from './quietLook';
import { regionMap } from './regionMap';
import { sideBend } from './sideBend';
import { stack } from './stack';
import { tape } from './tape';
import { tenCount } from './tenCount';
import { twoHands } from './twoHands';
import { twoLine } from './twoLine';
import { wallOrder } from './wallOrder';

/** Every protocol, in the usual order of a full look. Minutes and set-ups: common practice. */
export const protocols = {
  quietLook,
  twoHands,
  frontOn,
  regionMap,
  tape,
  twoLine,
  fingerGap,
  sideBend,
  postureSearch,
  stack,
  exhale,
  wallOrder,
  floor,
  pelvicRock,
  calmHold,
  tenCount,
  questionnaire,
  marker,
};

type Protocols = typeof protocols;
export type ProtocolId = keyof Protocols;
export const protocolIds = Object.keys(protocols) as [ProtocolId, ...ProtocolId[]];

/** What is kept of a look: what was seen, never what follows from it. */
export type Raw<P extends ProtocolId> = z.infer<Protocols[P]['schema']>;

type KeysIn<What extends 'fields' | 'findings' | 'follows'> = { [P in ProtocolId]: keyof Protocols[P][What] };

/** What looks can settle. */
export type FindingId = KeysIn<'findings'>[ProtocolId];
/** What of looks is followed over visits. */
export type MeasureId = KeysIn<'follows'>[ProtocolId];
/** The protocols that are entered by a list of fields; the others have a screen of their own. */
export type FormProtocol = {
  [P in ProtocolId]: [KeysIn<'fields'>[P]] extends [never] ? never : P;
}[ProtocolId];
