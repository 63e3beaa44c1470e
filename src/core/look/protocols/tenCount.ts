import { protocol } from '../define';
import { choice } from '../fields';
import { ifThere } from '../finding';

export const tenCount = protocol({
  name: 'Full-inhale ten-count',
  minutes: 0.7,
  positions: ['sitting', 'hook-lying'],
  setUp: 'Only where wanted: a full breath in, hold for ten seconds, breathe out.',
  means: 'A folk check of comfort. It is not a test of lung health, whatever the outcome.',
  components: ['fullLung', 'hold', 'longHold', 'deepBreath'],
  fields: {
    result: choice('After the ten', [
      ['calm to ten', 'Calm to ten'],
      ['stopped before ten', 'Stopped before ten'],
      ['coughed', 'Coughed on the exhale'],
      ['not observed', 'Not done'],
    ]),
  },
  tells: ({ result }) => (result === 'not observed' ? null : result),
  findings: { tenCountHard: 'the ten-count was not calm' },
  reads: ({ result }) => (result === 'not observed' ? {} : { tenCountHard: ifThere(result !== 'calm to ten', 1) }),
});
