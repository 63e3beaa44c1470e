import { type DayVisit, type Diary } from '@/core/diary';
import { type HomePlan, type HomeReturn, type Withdrawn } from '@/core/home';
import { type HomeAnswer, type OffWay, type Settings } from '@/core/record';
import { type LastTime } from '@/core/track';

/** What is known of somebody before they come. */
export interface Expecting {
  cautions: string[];
  /** Nothing may be practised until a clinician’s or guardian’s word. */
  closed: boolean;
  /** What they need, most pressing first. */
  needs: string[];
  /** The aim of their last visit, in words, or null. */
  aim: string | null;
  /** Visits of the day it is told for. */
  visits: DayVisit[];
}

/** What pages of the diary are given. */
export interface DiaryView {
  diary: Diary;
  settings: Pick<Settings, 'timeZone' | 'hours'>;
  /** The studio’s day when the page was made. */
  today: string;
  /** UTC, ISO: when the page was made. */
  now: string;
  /** By client. */
  expecting: Readonly<Record<string, Expecting>>;
}

/** What is to be in mind as a client comes. */
export interface ComingView {
  last: LastTime | null;
  /** What was said of the drills that went home with that visit. */
  told: Readonly<Record<string, HomeAnswer>>;
  /** What went home with that visit, by the day, where it was laid out. */
  home: HomePlan | null;
  /** What of it a caution has taken back since. */
  withdrawn: readonly Withdrawn[];
  /** What came back of it by code, the newest last. */
  returned: readonly HomeReturn[];
  /** Notes for this time; nothing else of the diary. */
  diary: Diary;
  /** When they are booked next, UTC, ISO. */
  next: string | null;
  /** Bookings that came to nothing, the newest first. */
  off: { day: string; how: OffWay; reason: string }[];
}
