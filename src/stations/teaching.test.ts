import { cadence } from '@/core/cadence';
import { teachingMoment } from './teaching';

test('breaths are counted on from round to round, so that a repetition of two breaths goes out and comes back', () => {
  const at = (seconds: number, cadences = [cadence(4, 6)]) => teachingMoment(cadences, seconds * 1000);
  expect([1, 11, 21].map((seconds) => at(seconds).breath)).toEqual([0, 1, 2]);
  expect([1, 11].map((seconds) => at(seconds).phase)).toEqual(['inhale', 'inhale']);
  const two = [cadence(4, 6), cadence(2, 3)];
  expect([1, 11, 16, 26].map((seconds) => at(seconds, two).breath)).toEqual([0, 1, 2, 3]);
});
