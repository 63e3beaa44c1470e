import { figureOf, specOf } from '@/core/body';
import { type Drill } from '@/core/catalogue';
import { listed, setByYou } from '@/core/reasons';

/** An empty drill of the coach's own: what every drill has, and nothing chosen yet. */
export function blankDrill(id: string): Drill {
  const range = (min: number, start: number, max: number) => ({ min, start, max });
  return {
    id,
    name: '',
    family: 'open',
    purpose: '',
    positions: ['sitting'],
    props: [],
    movement: 'none',
    load: null,
    hands: 'at rest',
    legs: 'as the position',
    band: 'lower ribs',
    setUp: '',
    setUpSeconds: 20,
    steps: [
      { phase: 'inhale', words: '' },
      { phase: 'exhale', words: '' },
    ],
    breath: {
      kind: 'steady',
      inhale: range(2.5, 3, 5),
      topPause: range(0, 0, 0),
      exhale: range(3, 5, 7),
      bottomPause: range(0, 0, 0),
    },
    breaths: range(5, 8, 15),
    sets: range(1, 1, 3),
    restSeconds: 20,
    sides: 'none',
    counting: { each: 'breath', breathsEach: 1, feet: false },
    setsAre: 'sets',
    afterSet: null,
    stay: null,
    floorCue: 'Moves with the breath.',
    abdominalCue: 'Soft.',
    stances: {},
    opens: {},
    quiets: [],
    skills: {},
    answers: [],
    prerequisites: [],
    components: [],
    cues: [
      { words: '', kind: 'instruction', care: null, stance: null },
      { words: '', kind: 'image', care: null, stance: null },
    ],
    faults: [],
    easier: null,
    harder: null,
    otherWay: null,
    level: 2,
    provenance: setByYou,
  };
}

/** A copy to change: its own id and name, and marked as the coach's. */
export const copyOf = (drill: Drill, id: string): Drill => ({
  ...drill,
  id,
  name: `${drill.name}, my way`.slice(0, 60),
  provenance: setByYou,
});

/** What stands in the form as a drill: rows left empty are left out. */
export const tidied = (draft: Drill): Drill => ({
  ...draft,
  name: draft.name.trim(),
  steps: draft.steps.filter(({ words }) => words.trim() !== ''),
  cues: draft.cues.filter(({ words }) => words.trim() !== ''),
});

/** What of a drill's figure can't be done as it is asked, in one sentence; null where all of it can. */
export function outOfReach(draft: Drill): string | null {
  const missed = draft.positions.flatMap((position) =>
    figureOf(specOf(draft, position)).body.missed.map(
      ({ limb, by }) => `the ${limb} by ${Math.max(1, Math.round(by * 100))} cm in ${position}`,
    ),
  );
  return missed.length === 0 ? null : `Out of reach: ${listed(missed)}. The nearest that can be reached is shown.`;
}
