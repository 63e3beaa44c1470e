import { type Component } from '../safety';
import { type LookPosition, type ProtocolId } from './rawSchemas';

/** Small pictures that help a set-up. */
export type LookPictureId = 'tape' | 'hands' | 'fingers' | 'sideBend' | 'posture' | 'march';

export interface Protocol {
  id: ProtocolId;
  version: number;
  name: string;
  /** What to set up and say, in one or two sentences. */
  setUp: string;
  /** What the result means and what it does not. */
  means: string;
  minutes: number;
  /** The positions it may be taken in, the usual one first; like is only compared with like. */
  positions: readonly LookPosition[];
  /** Gated like a drill. */
  components: readonly Component[];
  picture?: LookPictureId;
}

const row = (
  id: ProtocolId,
  name: string,
  minutes: number,
  positions: readonly LookPosition[],
  setUp: string,
  means: string,
  rest: Partial<Pick<Protocol, 'components' | 'picture' | 'version'>> = {},
): Protocol => ({ id, version: 1, name, minutes, positions, setUp, means, components: [], ...rest });

/** The usual places; walking is for holds only: nothing can be watched or measured on somebody who walks away. */
const anywhere: readonly LookPosition[] = ['hook-lying', 'propped', 'side-lying', 'sitting', 'standing'];

/** Every protocol in the usual order of a full look. Minutes and set-ups: common practice. */
const rows: readonly Protocol[] = [
  row(
    'quietLook',
    'Unannounced quiet look',
    1.2,
    anywhere,
    'Lying with knees bent, “just rest”. Say nothing about breath. Tap each inhale for a minute or more.',
    'How often they breathe when nobody asks. Not fitness, not health of the lungs.',
  ),
  row(
    'twoHands',
    'Two hands',
    0.7,
    anywhere,
    'One hand on the breastbone, one over the navel. Five quiet breaths, then one or two deeper.',
    'Which hand leads and which moves more, today, here. Neither is wrong by itself.',
    { picture: 'hands' },
  ),
  row(
    'frontOn',
    'Front-on, five and five',
    0.8,
    ['standing', 'sitting'],
    'Standing, from the front: five ordinary breaths, then five deep ones.',
    'Ordinary and deep are kept apart: many are fine at rest and lift the shoulders as soon as they try.',
    { components: ['deepBreath'] },
  ),
  row(
    'regionMap',
    'Region map',
    1.5,
    [...anywhere, 'prone', 'quadruped', 'long kneel'],
    'Hands round the ribs. Five ordinary breaths, then three deep ones. Tap a part to grade it.',
    'What moved under the hand, graded by eye and touch. It ranks parts; it measures no volume.',
  ),
  row(
    'tape',
    'Tape',
    3,
    ['standing', 'sitting'],
    'Tape round the chest, full breath out, then full breath in. Three goes; the fourth intercostal space first.',
    'How much the girth changes. It falls with age, and says nothing about where the air went.',
    { components: ['deepBreath', 'forcedExhale'], picture: 'tape' },
  ),
  row(
    'twoLine',
    'Two-line hand estimate',
    1,
    ['sitting'],
    'Sit behind, hands on the lower ribs and waist, thumbs to the spine. Draw what the upper and the lower ribs do.',
    'How the motion is shared between upper and lower ribs, as the hands felt it.',
    { components: ['coachTouch'] },
  ),
  row(
    'fingerGap',
    'Finger gap',
    1,
    ['sitting', 'standing', 'hook-lying'],
    'Hands wrapped round the lower ribs, fingers in front, thumbs behind. The gap at the end of the exhale and of the inhale.',
    'Cheap and repeatable, also at home. If the shoulders shrug, slide the hands lower and take it again.',
    { picture: 'fingers' },
  ),
  row(
    'sideBend',
    'Side-bend test',
    0.6,
    ['standing', 'sitting', 'long kneel'],
    'Bend away, hand on the open side, inhale. The open side should widen. Then the other way.',
    'Whether a side opens once it has the way of least resistance. Not the length of the bend.',
    { components: ['sideBend'], picture: 'sideBend' },
  ),
  row(
    'postureSearch',
    'Posture search',
    1.2,
    ['sitting'],
    'Lying, then seated, then standing. Arched, slouched, between, with small tips of the pelvis. How deep is the low breath in each?',
    'The best one is the posture cue; the drop when arched or slouched is the finding. Harder each time is usual.',
    { picture: 'posture' },
  ),
  row(
    'stack',
    'Stack',
    1.5,
    ['hook-lying', 'standing', 'sitting', 'long kneel'],
    'Look at the costal arch, the lower front ribs at rest and after a full exhale, the thorax over the pelvis, the pelvis.',
    'How ribs and pelvis are carried today. Shapes differ between people; only what does not move is a finding.',
  ),
  row(
    'exhale',
    'Exhale quality',
    1,
    anywhere,
    'One easy, full exhale. Start and stop with a tap. Then ask how full the next inhale feels.',
    'How the air goes out and what comes back. Longer is not better by itself.',
    { components: ['deepBreath'] },
  ),
  row(
    'wallOrder',
    'Order of the abdominal wall',
    1.2,
    ['hook-lying', 'propped', 'side-lying', 'sitting'],
    'Hands above the pubic bone: what draws in first on the exhale? Then one foot up 8 to 10 cm on an exhale, left and right.',
    'In which order the wall works at little load. Not strength.',
    { picture: 'march' },
  ),
  row(
    'floor',
    'Pelvic-floor coordination',
    1.2,
    ['hook-lying', 'propped', 'side-lying', 'sitting'],
    'Asked, never examined here. The client feels for it, with the sit bones as feelers.',
    'What the client feels and tells. A pelvic-health clinician examines; Kokyu does not.',
  ),
  row(
    'pelvicRock',
    'Pelvic rock',
    0.7,
    ['hook-lying'],
    'Rock the pelvis gently with the feet. Does the head nod?',
    'Whether movement passes through the spine. A little faster and a softer back often frees it.',
  ),
  row(
    'calmHold',
    'Calm exhale hold',
    3,
    [...anywhere, 'walking'],
    'A normal, not deep, breath out; pinch the nose; start. Stop at the first clear wish to breathe, before any strain.',
    'How soon the wish to breathe comes. It does not read the blood’s carbon dioxide, and longer is not better.',
    { components: ['hold', 'longHold'] },
  ),
  row(
    'tenCount',
    'Full-inhale ten-count',
    0.7,
    ['sitting', 'hook-lying'],
    'Only where wanted: a full breath in, hold for ten seconds, breathe out.',
    'A folk check of comfort. It is not a test of lung health, whatever the outcome.',
    { components: ['fullLung', 'hold', 'longHold', 'deepBreath'] },
  ),
  row(
    'questionnaire',
    'Symptom questionnaire',
    3,
    ['sitting'],
    'Read each one out: how often, in the last weeks? Then breathlessness now and on effort.',
    'A high sum suggests a breathing-related complaint and is worth showing to a clinician. It names no illness.',
  ),
  row(
    'marker',
    'Today’s marker',
    0.7,
    anywhere,
    'Chosen before the work and repeated after it: same position, same words, two readings each time.',
    'Whether today’s work changed something. Within noise it is called no clear change.',
    { version: 2 },
  ),
];

export const protocols = Object.fromEntries(rows.map((protocol) => [protocol.id, protocol])) as Readonly<
  Record<ProtocolId, Protocol>
>;
