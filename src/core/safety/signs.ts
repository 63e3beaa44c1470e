import { type Provenance, commonPractice, published } from '../reasons';

/** When a sign is asked: always, or only of a client in pregnancy or after a birth. */
export type SignContext = 'always' | 'pregnancy' | 'after birth';

export interface Sign {
  id: string;
  words: string;
  context: SignContext;
  provenance: Provenance;
}

const sign = (id: string, words: string, context: SignContext = 'always', provenance = commonPractice): Sign => ({
  id,
  words,
  context,
  provenance,
});

/** Stop, urgent help, no override. */
export const emergencySigns: readonly Sign[] = [
  sign('chestPain', 'chest pain or pressure'),
  sign('fainting', 'fainting'),
  sign('blueLips', 'blue lips'),
  sign('coughingBlood', 'coughing blood'),
  sign('suddenBreathless', 'sudden severe breathlessness'),
  sign('stroke', 'signs of stroke: face, arm or speech'),
  sign('saddle', 'new numbness in the saddle area'),
  sign('bladderBowel', 'new loss of bladder or bowel control, or unable to pass urine'),
  sign('legWeakness', 'fast-growing leg weakness'),
  sign('pregnancyBleeding', 'bleeding or fluid loss', 'pregnancy', published('R10')),
  sign('contractions', 'regular painful contractions', 'pregnancy', published('R10')),
  sign('severeHeadache', 'severe headache, visual disturbance or pain under the ribs on the right', 'pregnancy'),
  sign('reducedMovements', 'reduced movements of the baby', 'pregnancy'),
  sign('postnatalBleeding', 'heavy bleeding or fever after birth', 'after birth'),
];

/** No drills today, refer. Going on needs a typed reason and the name of the clinician who cleared it. */
export const redFlags: readonly Sign[] = [
  sign('restBreathless', 'breathless at rest or lying flat'),
  sign('worseBreathless', 'new or worsening breathlessness'),
  sign('calf', 'one-sided calf pain or swelling'),
  sign('feverChest', 'fever with chest symptoms'),
  sign('nightPain', 'night pain that nothing eases'),
  sign('weightLoss', 'unexplained weight loss, or a history of cancer with new pain'),
  sign('trauma', 'recent trauma'),
  sign('restParadox', 'belly drawing in on the inhale at rest, whatever the position or size of breath'),
  sign('stiffChest', 'small chest expansion with long morning stiffness'),
  sign('pregnancyDizzy', 'dizziness, or muscle weakness affecting balance', 'pregnancy', published('R10')),
  sign('pregnancyBreathless', 'breathlessness before exertion', 'pregnancy', published('R10')),
];

export const emergencySignIds = emergencySigns.map((entry) => entry.id) as [string, ...string[]];
export const redFlagIds = redFlags.map((entry) => entry.id) as [string, ...string[]];

const everySign = new Map([...emergencySigns, ...redFlags].map((entry) => [entry.id, entry]));

/** The words of a sign, or its id when the list no longer has it: an old record must stay readable. */
export function signInWords(id: string): string {
  return everySign.get(id)?.words ?? id;
}

/**
 * What to do on an emergency sign, the local number being a setting.
 *
 * @param emergencyNumber as the coach entered it
 * @example emergencySteps('112')[0] // 'Stop. Call 112 now, or send someone to call.'
 */
export function emergencySteps(emergencyNumber: string): string[] {
  return [
    `Stop. Call ${emergencyNumber} now, or send someone to call.`,
    'Stay with the client. Let them take the position they choose; do not leave them alone.',
    'No drill, no test, no food or drink. Follow what the call handler says.',
    'Follow your own first-aid training and the rules of your place.',
  ];
}

/** What ends any drill at once. */
export const stopSymptoms = [
  'dizziness',
  'tingling',
  'headache',
  'chest tightness',
  'gasping',
  'cough that does not settle',
  'pain',
  'leaking',
  'doming',
  'feeling faint',
  'feeling afraid',
] as const;

/** Symptoms behind which there may be an emergency sign: it is asked about at once, before anything else. */
export const emergencyBehind: Readonly<Partial<Record<string, string>>> = {
  'chest tightness': 'chestPain',
  'feeling faint': 'fainting',
};
