import { type LookRecord, type ProtocolId } from '../look';
import { type Profile } from '../safety';
import { freeFindings } from './findingTable';
import { readFindings } from './findings';
import { type JudgedFinding, type Judgement, type ReadingSnapshot, judgeFindings, snapshotOf } from './judge';
import { type Likely, type PatternScore, likelyPatterns, scorePatterns } from './score';

/** What of a visit is read. */
interface Looked {
  looks: readonly LookRecord[];
  judgements: readonly Judgement[];
}

/**
 * What a visit found, as the coach left it. There is one way to read a visit: page, note and recheck all ask here.
 *
 * @param answers what was told on Screen
 * @returns `all` with what was rejected or is explained, `read` what counts
 * @example findingsOf({ looks: [], judgements: [] }, {}).read // []
 */
export const findingsOf = ({ looks, judgements }: Looked, answers: Profile['answers']) =>
  judgeFindings(readFindings(looks, answers), judgements);

/** A visit read: its findings, every pattern with its points, what may lead, and what is kept with a confirmation. */
interface VisitReading {
  all: readonly JudgedFinding[];
  read: readonly JudgedFinding[];
  scores: readonly PatternScore[];
  likely: Likely;
  snapshot: ReadingSnapshot;
}

/**
 * Reads a visit, from its looks to what may lead.
 *
 * @example readVisit({ looks: [], judgements: [] }, {}).likely.shown // []
 */
export function readVisit(visit: Looked, answers: Profile['answers']): VisitReading {
  const { all, read } = findingsOf(visit, answers);
  const scores = scorePatterns(read);
  const likely = likelyPatterns(scores, read);
  return { all, read, scores, likely, snapshot: snapshotOf(read, likely.shown) };
}

/**
 * Protocols in which a visit found something clear: what a recheck begins with. What the coach rejected is not among it.
 *
 * @example markedIn({ looks: [], judgements: [] }, {}) // []
 */
export const markedIn = (visit: Looked, answers: Profile['answers']): ProtocolId[] => [
  ...new Set(
    findingsOf(visit, answers).read.flatMap(({ id, severity, protocol }) =>
      severity >= 2 && !freeFindings.includes(id) ? [protocol] : [],
    ),
  ),
];
