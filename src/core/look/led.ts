import { type KnownClient, type ConditionId, type ComplaintPlace } from '../safety';
import { type ProtocolId, type Raw } from './protocols';

/** What was told on Screen that asks for a look beyond the usual first ones. Common practice, no published source. */
interface Lead {
  told: (known: Pick<KnownClient, 'profile' | 'complaint' | 'longDesk'>) => boolean;
  because: string;
  protocols: readonly ProtocolId[];
}

const yes =
  (...conditions: ConditionId[]): Lead['told'] =>
  ({ profile }) =>
    conditions.some((id) => profile.answers[id]?.value === 'yes');
const at =
  (...places: ComplaintPlace[]): Lead['told'] =>
  ({ complaint }) =>
    places.some((place) => complaint.places.includes(place));

const leads: readonly Lead[] = [
  { told: yes('leaking'), because: 'leaking', protocols: ['wallOrder', 'floor'] },
  { told: yes('recentBirth'), because: 'a birth', protocols: ['wallOrder', 'floor'] },
  { told: yes('prolapse'), because: 'prolapse', protocols: ['wallOrder', 'floor'] },
  { told: yes('separation'), because: 'abdominal separation', protocols: ['wallOrder', 'floor'] },
  { told: yes('holdingFloor', 'pelvicGirdlePain'), because: 'pelvic pain', protocols: ['wallOrder', 'floor'] },
  { told: at('pelvis'), because: 'a complaint at the pelvis', protocols: ['wallOrder', 'floor'] },
  { told: at('low back', 'belly'), because: 'a complaint at the low back or belly', protocols: ['wallOrder'] },
  { told: at('head', 'neck'), because: 'a complaint at the head or neck', protocols: ['frontOn', 'exhale'] },
  {
    told: at('ribs', 'shoulder blade', 'mid-back'),
    because: 'a complaint at the ribs',
    protocols: ['exhale', 'fingerGap'],
  },
  { told: ({ longDesk }) => longDesk === 'yes', because: 'long days at a desk', protocols: ['exhale'] },
  { told: yes('lung'), because: 'a lung condition', protocols: ['exhale'] },
];

/**
 * Looks that what was told on Screen asks for, each with why.
 *
 * @param known what is known of the client
 * @example ledBy(known) // [{ protocol: 'wallOrder', because: 'leaking' }, …]
 */
export function ledBy(
  known: Pick<KnownClient, 'profile' | 'complaint' | 'longDesk'>,
): { protocol: ProtocolId; because: string }[] {
  const found = new Map<ProtocolId, string>();
  for (const { told, because, protocols } of leads) {
    if (!told(known)) continue;
    for (const protocol of protocols) if (!found.has(protocol)) found.set(protocol, because);
  }
  return [...found].map(([protocol, because]) => ({ protocol, because }));
}

/** What was told on Screen and is asked in a look as well: it is filled in there, with its date, and not asked again. */
export interface ToldAlready {
  values: Partial<Raw<'floor'>>;
  /** What was filled in, and when it was told. */
  told: readonly { words: string; day: string }[];
}

/** @example toldForFloor(known.profile).values // { leaks: 'yes', … } */
export function toldForFloor({ answers }: KnownClient['profile']): ToldAlready {
  const { leaking, holdingFloor } = answers;
  const values: Partial<Raw<'floor'>> = {};
  const told: { words: string; day: string }[] = [];
  if (leaking && leaking.value !== 'unknown') {
    values.leaks = leaking.value;
    told.push({ words: leaking.value === 'yes' ? 'leaking with effort' : 'no leaking with effort', day: leaking.day });
  }
  // “Pelvic pain, or a floor that won't let go?”: no means neither, yes does not say which.
  if (holdingFloor?.value === 'no') {
    values.pain = 'no';
    told.push({ words: 'no pelvic pain', day: holdingFloor.day });
  }
  return { values, told };
}
