import { type BreathStretch } from '@/core/cadence';
import { type DateManner } from '@/core/record';

/** Pieces of one go: breathing on a side, or a rest between. */
export type PhonePiece =
  | { kind: 'breaths'; stretches: BreathStretch[]; side: 'left' | 'right' | null }
  | { kind: 'rest'; seconds: number; words: string };

export interface PhoneItem {
  id: string;
  name: string;
  where: string;
  steps: string[];
  dose: string;
  cue: string;
  feels: string;
  notMeant: string;
  /** The figure as a drawing that stands by itself. */
  figure: string;
  pieces: PhonePiece[];
}

/** All the page on a phone knows. Nothing of the person: a phone lies about. */
export interface PhoneData {
  planId: string;
  studio: string;
  /** yyyy-mm-dd */
  from: string;
  days: number;
  /** How days are said. */
  manner: DateManner;
  /** When the day begins and ends; it may end after midnight. */
  wakes: string;
  sleeps: string;
  items: PhoneItem[];
  /** In order of the day. */
  goes: { id: string; itemId: string; at: string; with: string }[];
  stop: string;
  notice: string;
}
