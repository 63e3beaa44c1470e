import Sequencer from '@jest/test-sequencer';

/** The order of the unit tests: the runs that hold many files first, so that what is short fills the time until the last of them is done. */
export default class LongestFirst extends Sequencer {
  sort(tests) {
    const many = ({ path }) => path.includes('together');
    const sorted = super.sort(tests);
    return [...sorted.filter(many), ...sorted.filter((test) => !many(test))];
  }
}
