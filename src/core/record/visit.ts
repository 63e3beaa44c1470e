import { type StampedEvent } from '../coach';
import { type StoredHome } from '../home';
import { type StoredLift } from '../load';
import { type LookList, type LookRecord } from '../look';
import { type Judgement } from '../read';
import { type Plan, type PlanItem } from '../sequence';
import { type Reading } from './reading';

export interface VisitRow {
  id: string;
  clientId: string;
  /** UTC, ISO */
  startedAt: string;
  /** The calendar day in the studio's zone. */
  day: string;
  endedAt: string | null;
}

/** A look with the revision a writer must have seen to change it. */
export type StoredLook = LookRecord & { revision: number };
export type StoredReading = Reading & { id: string; at: string };
export type StoredPlan = { id: string; at: string; revision: number; plan: Plan };
export type StoredRun = {
  id: string;
  visitId: string;
  at: string;
  items: PlanItem[];
  events: StampedEvent[];
  /** Everybody on the plan of a group, the first being whose plan it is, and what each sits out; empty with one client. */
  members: { clientId: string; visitId: string; sitsOut: number[] }[];
};

/** Longest visit note. */
export const mostNoteCharacters = 8000;

/** The note of a visit: a draft until it is signed, then as it was signed, with dated additions. */
export interface StoredNote {
  text: string;
  /** Drills to take home, by id. */
  home: string[];
  revision: number;
  at: string;
  signedAt: string | null;
  additions: { id: string; at: string; text: string }[];
}

/** A visit with everything recorded in it. */
export interface VisitRecord extends VisitRow {
  looks: StoredLook[];
  /** Which looks this visit goes through, as chosen; null until a set was chosen. */
  lookList: LookList | null;
  /** The coach's word on single findings, oldest first. */
  judgements: Judgement[];
  reading: StoredReading | null;
  plan: StoredPlan | null;
  runs: StoredRun[];
  note: StoredNote | null;
  /** What goes home with it; null before anything was chosen. */
  home: StoredHome | null;
  /** Sets under a load, oldest first. */
  lifts: StoredLift[];
}

/** A visit in which nothing was recorded yet. @example newVisit({ ...row, endedAt: null }).looks // [] */
export const newVisit = (row: VisitRow): VisitRecord => ({
  ...row,
  looks: [],
  lookList: null,
  judgements: [],
  reading: null,
  plan: null,
  runs: [],
  note: null,
  home: null,
  lifts: [],
});
