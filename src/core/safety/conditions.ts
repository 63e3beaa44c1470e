/** A detail a condition needs so that gates can change by themselves as time passes. */
export type DetailKind = 'pregnancy week' | 'operation' | 'birth' | 'side' | 'none';

export interface Condition {
  id: string;
  name: string;
  /** What the coach asks, in everyday words. */
  question: string;
  detail: DetailKind;
  group: ConditionGroup;
}

export const conditionGroups = [
  'Birth and pelvis',
  'Heart, head and lungs',
  'Trunk and joints',
  'State and skin',
] as const;
export type ConditionGroup = (typeof conditionGroups)[number];

const row = <Id extends string>(
  id: Id,
  group: ConditionGroup,
  name: string,
  question: string,
  detail: DetailKind = 'none',
) => ({ id, name, question, detail, group });

/** Every condition that is asked and stored, in the order it is asked. Common practice. */
export const conditionList = [
  row('pregnancy', 'Birth and pelvis', 'pregnancy', 'Pregnant now?', 'pregnancy week'),
  row('recentBirth', 'Birth and pelvis', 'recent birth', 'Given birth in the last months?', 'birth'),
  row(
    'pelvicGirdlePain',
    'Birth and pelvis',
    'pelvic-girdle or pubic pain',
    'Pain at the pubic joint or pelvic girdle?',
  ),
  row('prolapse', 'Birth and pelvis', 'prolapse', 'A prolapse, or heaviness and dragging below?'),
  row('leaking', 'Birth and pelvis', 'leaking with effort', 'Leaking with a cough, a jump or a lift?'),
  row(
    'holdingFloor',
    'Birth and pelvis',
    "floor that won't let go",
    "Pelvic pain, or a pelvic floor that won't let go?",
  ),
  row('separation', 'Birth and pelvis', 'abdominal separation', 'Abdominal separation, or doming on effort?'),

  row(
    'heart',
    'Heart, head and lungs',
    'heart or blood pressure',
    'Heart condition, aneurysm, high blood pressure, past stroke?',
  ),
  row(
    'seizures',
    'Heart, head and lungs',
    'seizures or other neurological',
    'Seizures or another neurological condition?',
  ),
  row('lung', 'Heart, head and lungs', 'asthma or COPD', 'Asthma or COPD?'),
  row(
    'collapsedLung',
    'Heart, head and lungs',
    'past collapsed lung',
    'A collapsed lung in the past, or large bullae?',
  ),
  row(
    'eyeHead',
    'Heart, head and lungs',
    'eye or head pressure',
    'Glaucoma, a retinal problem, raised pressure in the head?',
  ),

  row(
    'surgery',
    'Trunk and joints',
    'recent surgery',
    'Surgery on abdomen, chest, spine or eye in the last months?',
    'operation',
  ),
  row('hernia', 'Trunk and joints', 'hernia', 'A hernia?'),
  row('ribFracture', 'Trunk and joints', 'rib fracture', 'A broken or bruised rib?', 'side'),
  row('reflux', 'Trunk and joints', 'reflux', 'Reflux or heartburn lying down?'),
  row('osteoporosis', 'Trunk and joints', 'osteoporosis', 'Osteoporosis?'),
  row('back', 'Trunk and joints', 'acute back', 'An acute back?'),
  row('neck', 'Trunk and joints', 'neck', 'Neck trouble?'),
  row('shoulder', 'Trunk and joints', 'shoulder', 'Shoulder trouble?', 'side'),
  row('wrist', 'Trunk and joints', 'wrist', 'Wrist trouble?', 'side'),
  row('knee', 'Trunk and joints', 'knee or hip', 'Knee or hip trouble?', 'side'),

  row('dizziness', 'State and skin', 'dizziness', 'Dizzy spells?'),
  row('panic', 'State and skin', 'panic, hard history', 'Panic, or a hard history with breath or touch?'),
  row('latex', 'State and skin', 'latex allergy', 'Latex allergy?'),
] as const satisfies readonly Condition[];

export type ConditionId = (typeof conditionList)[number]['id'];
export const conditionIds = conditionList.map((condition) => condition.id) as [ConditionId, ...ConditionId[]];

const byId = new Map<string, Condition>(conditionList.map((condition) => [condition.id, condition]));

/** @throws {RangeError} for an id that is not in the list */
export function conditionById(id: ConditionId): Condition {
  const found = byId.get(id);
  if (!found) throw new RangeError(`No condition is called ${id}.`);
  return found;
}
