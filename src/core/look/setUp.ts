import { type TouchConsent } from '../safety';
import { protocols } from './protocols';
import { type LookPosition, type ProtocolId } from './rawSchemas';

/** What a set-up says that a client of today may not do, and what it says instead. */
interface Instead {
  says: string;
  /** Off when this position is. */
  position?: LookPosition;
  /** Off without consent to the coach's hands. */
  hands?: true;
  /** In place of it; a position is put where `…` stands. */
  instead: Readonly<Record<'own hands' | 'no', string>> | string;
}

const otherwise: { [P in ProtocolId]?: Instead } = {
  quietLook: { says: 'Lying with knees bent', position: 'hook-lying', instead: '…' },
  regionMap: {
    says: 'Hands round the ribs.',
    hands: true,
    instead: {
      'own hands': 'The client’s own hands round the ribs; you watch.',
      no: 'By eye alone, from the front and from the side.',
    },
  },
};

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

/**
 * The set-up of a protocol as it is for somebody today: without words for a position that is off, or for hands they have not agreed to.
 *
 * @param allowed the positions that are not off, the one begun with first
 * @example setUpFor('regionMap', ['sitting'], 'no') // 'By eye alone, from the front and from the side. Five ordinary breaths, …'
 */
export function setUpFor(id: ProtocolId, allowed: readonly LookPosition[], touch: TouchConsent): string {
  const { setUp } = protocols[id];
  const row = otherwise[id];
  if (!row) return setUp;
  const off = row.position ? !allowed.includes(row.position) : row.hands === true && touch !== 'yes';
  if (!off) return setUp;
  const words = typeof row.instead === 'string' ? row.instead : row.instead[touch === 'own hands' ? 'own hands' : 'no'];
  return setUp.replace(row.says, words.replace('…', capital(allowed[0] ?? 'as they are')));
}
