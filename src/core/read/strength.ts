import { capital } from '../reasons';
import { type Pattern } from './patterns';
import { type PatternScore } from './score';
import { studied } from './studied';

/** How strongly a pattern that leads stands: by its points beyond those it may lead from. */
export const strengths = ['weak', 'likely', 'strong'] as const;
export type Strength = (typeof strengths)[number];
const from: Readonly<Record<Strength, number>> = { weak: 0, likely: 3, strong: 7 };

/** @param above balance less what the pattern may lead from */
const strengthAt = (above: number): Strength =>
  above >= from.strong ? 'strong' : above >= from.likely ? 'likely' : 'weak';

/** @example strengthOf({ ...score, balance: score.pattern.leadsFrom + 4 }) // 'likely' */
export const strengthOf = ({ balance, pattern }: PatternScore): Strength => strengthAt(balance - pattern.leadsFrom);

/** What a simulated study says of a strength: out of a hundred leads, how many were right, how many of them even people. */
interface Calibration {
  right: number;
  low: number;
  high: number;
  even: number;
}

/** Of leads of that strength, the share that was right in the study (docs/reading.md). Simulated. */
const calibrationOf = (strength: Strength): Calibration => studied.strength[strength];

/** What the points of a pattern mean, and what it needs to lead. @example pointsInWords(pattern) // 'A point means …' */
export const pointsInWords = ({ name, leadsFrom }: Pattern): string =>
  'A point means the same everywhere: seen that much more often where the pattern is there than in even people, ' +
  '1 about 1.65 times, 2 2.7, 3 4.5, 5 12, 6 20 times. Common practice, the sizes ours. ' +
  `“${capital(name)}” may lead from ${leadsFrom} points, on two separate signs or on a clear step seen twice.`;

/** One sentence for it. @example calibrationInWords('strong') // 'Simulated: of 100 leads this strong, …' */
export function calibrationInWords(strength: Strength): string {
  const { right, low, high, even } = calibrationOf(strength);
  const hundred = (part: number) => Math.round(part * 100);
  return (
    `Simulated: of 100 leads this strong, ${hundred(right)} were right (${hundred(low)} to ${hundred(high)}), ` +
    `and ${hundred(even)} were even people. It shows how far noise reaches, nothing about real people.`
  );
}
