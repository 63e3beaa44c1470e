import { type FaultId, faultIds } from '../catalogue';
import { gatesOfPerson } from '../fixtures';
import { type AnswerDetail, type ConditionId } from '../safety';
import { remedyFor } from '.';

const words = (fault: FaultId, times: number, yes: Partial<Record<ConditionId, AnswerDetail>> = {}) =>
  remedyFor(fault, times, gatesOfPerson(yes)).words;

describe('corrections, as the trade gives them (common practice, no published source)', () => {
  test.each<[FaultId, RegExp, RegExp]>([
    ['shoulders', /smaller breath, long neck/i, /lie down/i],
    ['chestLeads', /own hand on the belly/i, /tuck/i],
    ['arching', /back to the floor or the wall/i, /half-dome/i],
    ['backLifts', /heels drag/i, /legs on a chair/i],
    ['ribsYanked', /low first/i, /third/i],
    ['roundsInBear', /block on the low back/i, /quadruped/i],
    ['bellyPops', /exhale before the foot/i, /heel/i],
    ['dumped', /straw/i, /shorter/i],
    ['neck', /less air/i, /lie down/i],
  ])('%s: %s, then %s', (fault, first, then) => {
    expect(words(fault, 1)).toMatch(first);
    expect(words(fault, 2)).toMatch(then);
  });
});

describe('a correction is gated like a drill', () => {
  // What a correction puts somebody into, in words, and who may not be put into it.
  const into: [RegExp, Partial<Record<ConditionId, AnswerDetail>>[]][] = [
    [/lie down|legs on a chair|tuck|to the floor/i, [{ pregnancy: { weekOnDay: 29 } }, { lung: {} }, { reflux: {} }]],
    [/half-dome|on the front/i, [{ pregnancy: { weekOnDay: 29 } }, { ribFracture: { side: 'left' } }, { reflux: {} }]],
    [/tuck|half-dome/i, [{ osteoporosis: {} }, { back: {} }]],
    [/tuck/i, [{ pelvicGirdlePain: {} }, { knee: {} }]],
    [/quadruped/i, [{ wrist: {} }, { knee: {} }]],
    [/the foot leaves/i, [{ pelvicGirdlePain: {} }, { separation: {} }]],
  ];
  test.each(into)('nobody is told %s who may not', (told, people) => {
    for (const yes of people) {
      for (const fault of faultIds) {
        for (const times of [1, 2])
          expect([fault, yes, words(fault, times, yes)]).toEqual([fault, yes, expect.not.stringMatching(told)]);
      }
    }
  });

  test('and is given something all the same', () => {
    expect(words('shoulders', 2, { pregnancy: { weekOnDay: 29 } })).toBe('Half lie back on pillows');
    expect(words('chestLeads', 2, { lung: {} })).toBe('Lean forward, arms carried');
  });
});
