import { breathsPerMinute, cadenceInWords } from '@/core/cadence';
import { type Drill, type Range, componentsOf, families, movementInWords, props, startCadence } from '@/core/catalogue';
import { patterns, skills } from '@/core/read';
import { capital, listed } from '@/core/reasons';
import { components } from '@/core/safety';
import { openedRegions } from '@/core/sequence';
import { type RegionId, regions } from '@/core/trunk';

const rangeInWords = ({ min, start, max }: Range, unit: string) =>
  min === max ? `${start} ${unit}` : `${start} ${unit} to start (${min} to ${max})`;

/** Rows that both the page and the comparison show, each with a heading and words. */
export function factsOfDrill(drill: Drill, nameOf: (id: string) => string): { head: string; words: string }[] {
  const { breath } = drill;
  const cadence = startCadence(drill);
  const opened = Object.entries(openedRegions(drill, 'both')) as [RegionId, number][];
  const byGain = [...opened].sort((a, b) => b[1] - a[1]).map(([id]) => regions[id].name);
  const trained = Object.entries(drill.skills)
    .sort((a, b) => b[1] - a[1])
    .map(([id]) => skills[id as keyof typeof skills]);
  const answered = drill.answers.map((id) => patterns.find((pattern) => pattern.id === id)?.name ?? id);
  return [
    { head: 'What for', words: capital(families[drill.family]) },
    { head: 'Answers', words: listed(answered) },
    { head: 'Opens', words: byGain.length > 0 ? listed(byGain) : 'nothing in particular' },
    { head: 'Trains', words: trained.length > 0 ? listed(trained) : '–' },
    {
      head: 'Breath',
      words:
        breath.kind === 'ladder'
          ? `Ladder of ${breath.rungs.length}: ${breath.rungs.map((rung) => `${rung.inhaleSeconds} in ${rung.exhaleSeconds} out`).join(', ')}`
          : `${cadenceInWords(cadence)} to start, ${breathsPerMinute(cadence).toFixed(1)} a minute; in ${breath.inhale.min}–${breath.inhale.max} s, out ${breath.exhale.min}–${breath.exhale.max} s`,
    },
    {
      head: 'Dose',
      words: [
        breath.kind === 'ladder' ? `${breath.rungs.length} breaths` : rangeInWords(drill.breaths, 'breaths'),
        rangeInWords(drill.sets, drill.sets.start === 1 ? drill.setsAre.slice(0, -1) : drill.setsAre),
        ...(drill.sets.max > 1 ? [`${drill.restSeconds} s rest`] : []),
        ...(drill.sides === 'none' ? [] : ['each side, or one']),
      ].join('; '),
    },
    ...(drill.counting.each === 'repetition'
      ? [
          {
            head: 'Counted',
            words: `repetitions of ${drill.counting.breathsEach === 1 ? 'one breath' : 'two breaths'}${drill.counting.feet ? ', changing feet' : ''}`,
          },
        ]
      : []),
    ...(drill.stay ? [{ head: 'Stay', words: `${rangeInWords(drill.stay, 's')}, breathing freely` }] : []),
    ...(drill.afterSet ? [{ head: `After each ${drill.setsAre.slice(0, -1)}`, words: drill.afterSet }] : []),
    { head: 'Movement', words: capital(movementInWords(drill)) },
    { head: 'Props', words: drill.props.length > 0 ? listed(drill.props.map((id) => withSubstitutes(id))) : 'none' },
    { head: 'Pelvic floor', words: drill.floorCue },
    { head: 'Abdominals', words: drill.abdominalCue },
    { head: 'Level', words: `${drill.level} of 6` },
    { head: 'Easier', words: drill.easier ? nameOf(drill.easier) : '–' },
    { head: 'Harder', words: drill.harder ? nameOf(drill.harder) : '–' },
    ...(drill.otherWay ? [{ head: 'Another way', words: nameOf(drill.otherWay) }] : []),
    {
      head: 'Wants first',
      words: drill.prerequisites.length > 0 ? listed(drill.prerequisites.map(nameOf)) : 'nothing',
    },
    {
      head: 'Gated for',
      words:
        containedOf(drill).length > 0
          ? listed(containedOf(drill).map((id) => components[id]))
          : 'only its position and props',
    },
  ];
}

/** What of a drill is gated for somebody; that nearly everything is more than quiet breathing goes without saying. */
export const containedOf = (drill: Drill) => componentsOf(drill).filter((id) => id !== 'unquiet');

const withSubstitutes = (id: Drill['props'][number]) => {
  const { name, substitutes } = props[id];
  return substitutes.length > 0
    ? `${name} (or ${substitutes.map((other) => props[other as typeof id].name).join(', ')})`
    : name;
};
