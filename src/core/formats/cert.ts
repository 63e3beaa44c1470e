import { cadenceInWords } from '../cadence';
import { positions, props, stepPhaseNames } from '../catalogue';
import { durationInWords } from '../dose';
import { intentInWords } from '../read';
import { listed } from '../reasons';
import { schools } from '../schools';
import { type Plan, type PlanItem, drillOf, planTotals } from '../sequence';

/**
 * What a prescription must state [R14]: the sixteen items, in the order of the template (values from memory). Each has what
 * it is answered from.
 */
export const certItems = [
  'type of exercise equipment',
  'qualification, expertise or training of the provider',
  'individually or in a group',
  'supervised or not, and how',
  'how adherence is measured and reported',
  'motivation strategies',
  'decision rule for progression',
  'how the programme is progressed',
  'each exercise, precise enough to repeat it',
  'home programme component',
  'non-exercise components',
  'type and number of adverse events',
  'setting',
  'dose: sets, repetitions, time, intensity',
  'generic or tailored, and how',
  'decision rule for the starting level; delivered as planned',
] as const;

export interface CertAnswer {
  item: (typeof certItems)[number];
  answer: string;
}

/** What only the studio knows. */
export interface CertSetting {
  studioName: string;
  provider: string;
}

const doseOf = (item: PlanItem) => {
  const { sets, breaths, cadences, restSeconds, side } = item;
  const breath = cadences.length > 1 ? `count ladder of ${cadences.length} rungs` : cadenceInWords(cadences[0]!);
  return [
    `${sets} × ${breaths} breaths`,
    `${breath} (seconds)`,
    // Between sets; from side to side it is only as long as changing takes.
    ...(sets > 1 ? [`${restSeconds} s rest`] : []),
    ...(side === 'none' ? [] : [side === 'both' ? 'each side' : `${side} side`]),
  ].join(', ');
};

/**
 * Answers each of the sixteen items from a plan.
 *
 * @example certOf(plan, { studioName: 'Saltmarsh Movement Rooms', provider: 'the coach named on this plan' }).length // 16
 */
export function certOf(plan: Plan, { studioName, provider }: CertSetting): CertAnswer[] {
  const { items, request } = plan;
  const { whole } = planTotals(items);
  const used = [...new Set(items.flatMap((item) => item.props))].map((id) => props[id].name);
  const places = [...new Set(items.map(({ position }) => positions[position].name))];
  const changes = [...new Set(items.flatMap((item) => item.changes))];
  const exercises = items
    .map((item, i) => {
      const drill = drillOf(item);
      const steps = drill.steps.map(({ phase, words }) => `${stepPhaseNames[phase]}: ${words}`).join(' ');
      return `${i + 1}. ${drill.name}, ${item.position}. ${positions[item.position].setUp} ${drill.setUp} ${steps} Pelvic floor: ${drill.floorCue} Abdominals: ${drill.abdominalCue}`;
    })
    .join('\n');
  const doses = items.map((item, i) => `${i + 1}. ${drillOf(item).name}: ${doseOf(item)}`).join('\n');
  const carried = items.filter((item) => drillOf(item).family === 'carry').map((item) => drillOf(item).name);
  const answers: Record<(typeof certItems)[number], string> = {
    'type of exercise equipment':
      used.length > 0 ? `${listed(used)}. Positions: ${listed(places)}.` : `None. Positions: ${listed(places)}.`,
    'qualification, expertise or training of the provider': provider,
    'individually or in a group': 'Individually.',
    'supervised or not, and how': 'Supervised throughout by the coach, one to one, with a pacer.',
    'how adherence is measured and reported':
      'Breaths delivered are counted against breaths planned, drill by drill, in the record of the run.',
    'motivation strategies':
      'One cue at a time, kept when it lands; a marker chosen by the client is tested before and after. Nobody is graded.',
    'decision rule for progression':
      'At least 80 % of breaths without a marked fault, effort at most 3 of 10, calm. Two times not: a step back.',
    'how the programme is progressed':
      'One thing at a time: breaths 10, 15, 20, 30; exhale a count longer; a position up; a prop less; movement; load.',
    'each exercise, precise enough to repeat it': exercises,
    'home programme component': carried.length > 0 ? `Carried into the day: ${listed(carried)}.` : 'None planned.',
    'non-exercise components': 'Screening for cautions, a look at how the client breathes, and a recheck at the end.',
    'type and number of adverse events': `Stops and symptoms are logged in the run; a drill that ended in a stop stays out until it is reviewed. Changed for cautions: ${changes.length > 0 ? listed(changes) : 'nothing'}.`,
    setting: studioName,
    'dose: sets, repetitions, time, intensity': `${doses}\nWhole: ${durationInWords(whole.seconds)}, ${whole.breaths} breaths${whole.breathsPerMinute ? `, ${whole.breathsPerMinute.toFixed(1)} a minute` : ''}, ${Math.round(whole.holdSeconds)} s of holds. Effort at most 3 of 10.`,
    'generic or tailored, and how': `Tailored: ${intentInWords(request.intent, request.side ?? undefined)}. From the confirmed reading, the limits of the day, ${request.minutes} minutes and the props at hand; led by ${schools[request.leadSchool].name}.`,
    'decision rule for the starting level; delivered as planned':
      'Start dose of each drill, or the dose reached calmly before. Planned and delivered breaths are kept side by side.',
  };
  return certItems.map((item) => ({ item, answer: answers[item] }));
}
