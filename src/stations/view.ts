import { type Recorded, type VisitRecord, type VisitRow } from '@/core/record';
import { type ProtocolId, type Raw, type Remembered } from '@/core/look';
import { type FaultHistory } from '@/core/coach';
import { type Drill } from '@/core/catalogue';
import { type Template } from '@/core/formats';
import { type DrillHistory, type PlanRequest } from '@/core/sequence';
import { type Gates } from '@/core/safety';

/** What planning needs besides: loaded only where plans are made or coached. */
export interface Planning {
  history: DrillHistory[];
  /** Faults marked before, by drill. */
  faults: FaultHistory;
  ownDrills: Drill[];
  templates: { id: string; name: string; template: Template }[];
  /** What the plan of the visit before was asked with. */
  lastRequest: PlanRequest | null;
  /** Today's booking: how long, and what was noted with it. */
  booking: { minutes: number; note: string } | null;
}

/** A stored record that can't be read: which one, in words, and why. */
export interface Unreadable {
  table: string;
  id: string;
  what: string;
  why: string;
}

/** What of the visit a station is given only where it shows it. */
export type PartOfVisit = 'looks' | 'judgements' | 'plan' | 'runs';

/** What of the visits before, and beside them, a station is given only where it shows it. */
export interface PartsBeside {
  /** Limits as they were at the last visit, by what was known then; null before a second visit. */
  gatesThen: Gates | null;
  /** Calm holds of earlier visits, oldest first: what may be practised follows from them. */
  holdsBefore: Raw<'calmHold'>[];
  planning: Planning;
  /** What a look begins with, of the visits before. */
  remembered: Remembered;
}

export type Part = PartOfVisit | keyof PartsBeside;

/** What every station is given of a client: what was recorded, and what the core makes of it on this day. */
interface Shared extends Omit<Recorded, 'visit'> {
  stopped: { drillId: string; name: string; runId: string }[];
  /** The visit before this one, and how many there are in all. */
  last: VisitRow | null;
  visitCount: number;
  /** Looks whose findings were marked at the last visit: what a recheck looks at again. */
  markedLast: ProtocolId[];
}

/** A client as a station shows them, with the parts it names: nothing else can be read, and nothing else is sent to its page. */
export type ClientView<P extends Part = never> = Shared &
  Pick<PartsBeside, Extract<P, keyof PartsBeside>> & {
    visit: (Omit<VisitRecord, PartOfVisit> & Pick<VisitRecord, Extract<P, PartOfVisit>>) | null;
  };

/** Where looks are taken: in Look with what is remembered of the visits before, elsewhere without. */
export type LookView = ClientView<'looks'> & Partial<Pick<PartsBeside, 'remembered'>>;

/** A client with the whole visit, as the server reads them. */
export type WholeClient = ClientView<PartOfVisit | 'gatesThen' | 'holdsBefore'> & {
  /** Records of this client that can't be read, and were not put aside. */
  unreadable: Unreadable[];
};
