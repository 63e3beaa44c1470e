import { type Reason, capital, commonPractice, setByYou } from '../reasons';
import { daysBetween } from '../record/day';
import { type Component, components, highRisk } from './components';
import { conditionRules } from './conditionRules';
import { type Condition, type ConditionId, conditionById, conditionList } from './conditions';
import { type FormId, type Principle } from './forms';
import { type GateLimits, type GateRow, defaultLimits, gateTable } from './gateTable';
import { type Answer, type Profile, ageOn } from './profile';

/** One effect of one condition on one component, with why. */
export interface Gate {
  level: 'block' | 'change' | 'ask';
  component: Component;
  condition: ConditionId;
  /** The other form, for a change. */
  form?: FormId;
  principle?: Principle;
  reason: Reason;
}

/** A caution that a look found although it was not told: it counts like one told. */
export interface SeenCaution {
  condition: ConditionId;
  recordId: string;
  words: string;
}

/** Everything the profile forbids, changes or wants watched on a day. */
export interface Gates {
  onDay: string;
  gates: readonly Gate[];
  watch: readonly { sign: string; reason: Reason }[];
  /** Most seconds of holds in one session, as the coach set it. */
  holdSeconds: number;
}

/**
 * Works out what is blocked, changed and to be watched for a client on a day. A question that was not asked keeps the
 * high-risk components off ("ask") until it is; what a named clinician's word lifts is watched instead.
 *
 * @param profile what is known
 * @param onDay yyyy-mm-dd: weeks of pregnancy and weeks since a birth are carried to this day
 * @param limits week limits, as the coach set them
 * @param seen what looks found: it counts like a yes
 * @source the caution table, common practice; the marks of single rows differ
 * @example evaluateGates(pregnantProfile, '2026-11-23').gates.some((gate) => gate.component === 'hold') // true
 */
export function evaluateGates(
  profile: Profile,
  onDay: string,
  limits: GateLimits = defaultLimits,
  seen: readonly SeenCaution[] = [],
): Gates {
  const gates: Gate[] = [];
  const watch: { sign: string; reason: Reason }[] = [];
  for (const row of gateTable) {
    const condition = conditionById(row.condition);
    const answer = profile.answers[row.condition];
    const value = answer?.value ?? 'unknown';
    const found = value === 'yes' ? undefined : seen.find((one) => one.condition === row.condition);
    if (value === 'unknown' && !found) gates.push(...askGates(row, condition, answer));
    if (!found && (value !== 'yes' || !rowCounts(row, answer!, onDay, limits))) continue;
    const reason = found ? seenReason(row, found) : rowReason(row, condition, answer!, onDay, limits);
    const clearedBy = found ? undefined : answer!.detail.clearedBy;
    const lifted = (component: Component) =>
      (Boolean(clearedBy?.trim()) && row.clearable.includes(component)) ||
      // Whoever said yes to hands was asked.
      (component === 'coachTouch' && profile.touch === 'yes');
    for (const component of row.blocks) {
      if (!lifted(component)) gates.push({ level: 'block', component, condition: row.condition, reason });
    }
    for (const { components: changed, form, principle } of row.changes) {
      for (const component of changed) {
        if (lifted(component)) continue;
        gates.push({ level: 'change', component, condition: row.condition, form, principle, reason });
      }
    }
    const cleared = row.clearable
      .filter(lifted)
      .map((component) => `${components[component]}, allowed by ${clearedBy}`);
    for (const sign of [...row.watch, ...cleared]) {
      if (!watch.some((seen) => seen.sign === sign)) watch.push({ sign, reason });
    }
  }
  return { onDay, gates, watch, holdSeconds: limits.holdSeconds };
}

function askGates(row: GateRow, condition: Condition, answer: Answer | undefined): Gate[] {
  return row.blocks
    .filter((component) => highRisk.includes(component))
    .map((component) => ({
      level: 'ask' as const,
      component,
      condition: row.condition,
      reason: {
        what: `${capital(components[component])} wait until ${condition.name} has been asked.`,
        rule: 'An unknown answer keeps high-risk components off.',
        records: answer ? [{ kind: 'fact' as const, id: answer.recordId, label: condition.name }] : [],
        provenance: commonPractice,
      },
    }));
}

function rowCounts(row: GateRow, answer: Answer, onDay: string, limits: GateLimits): boolean {
  const { site, side, caesarean } = answer.detail;
  // What was not told counts everywhere: the safer reading of an unknown.
  if (row.site && site !== undefined && row.site !== site) return false;
  if (row.side && side !== undefined && side !== 'both' && row.side !== side) return false;
  if (row.caesarean && !caesarean) return false;
  const { weekOn } = conditionRules[row.condition] ?? {};
  if (weekOn && row.from) {
    const week = weekOn(answer, onDay);
    return week === null || week >= limits[row.from];
  }
  const limit = limitOf(row, answer);
  if (limit === null || !answer.detail.date) return true;
  return daysBetween(answer.detail.date, onDay) < limits[limit] * 7;
}

/** The limit of a row that only counts for some weeks, or null. */
function limitOf(row: GateRow, answer: Answer): keyof GateLimits | null {
  return row.from ?? conditionRules[row.condition]?.counts?.(answer.detail) ?? null;
}

function rowReason(row: GateRow, condition: Condition, answer: Answer, onDay: string, limits: GateLimits): Reason {
  const limit = limitOf(row, answer);
  const own = limit !== null && limits[limit] !== defaultLimits[limit];
  return {
    what: capital(conditionInWords(row.condition, answer, onDay)),
    rule: `Cautions for ${condition.name}`,
    records: [{ kind: 'fact', id: answer.recordId, label: `${condition.name}, answered ${answer.day}` }],
    provenance: own ? setByYou : row.provenance,
  };
}

const seenReason = (row: GateRow, { words, recordId }: SeenCaution): Reason => ({
  what: capital(words),
  rule: `Cautions for ${conditionById(row.condition).name}`,
  records: [{ kind: 'look', id: recordId, label: 'Look' }],
  provenance: row.provenance,
});

/**
 * A condition with its detail on a day, as it stands in the safety line.
 */
function conditionInWords(id: ConditionId, answer: Answer, onDay: string): string {
  const { side, site } = answer.detail;
  const told = conditionRules[id]?.inWords?.(answer, onDay);
  if (told) return told;
  return [conditionById(id).name, ...(site ? [site] : []), ...(side && side !== 'both' ? [side] : [])].join(', ');
}

/** The conditions said yes to, in words, in the order they are asked. */
export function flaggedConditions(profile: Profile, onDay: string): string[] {
  return conditionList.flatMap(({ id }) => {
    const answer = profile.answers[id];
    return answer?.value === 'yes' ? [conditionInWords(id, answer, onDay)] : [];
  });
}

/** How many conditions have not been asked. */
export function unansweredConditions(profile: Profile): ConditionId[] {
  return conditionList.filter(({ id }) => (profile.answers[id]?.value ?? 'unknown') === 'unknown').map(({ id }) => id);
}

/** A client under 18 needs a guardian's consent before anything else. */
export function needsGuardian(profile: Profile, onDay: string): boolean {
  const age = ageOn(profile.birthDay, onDay);
  return age !== null && age < 18 && !profile.guardianConsent;
}

/** What a day or an answer brought: newly off, newly in another form, and off no longer. */
export interface GateChanges {
  blocked: readonly Gate[];
  changed: readonly Gate[];
  freed: readonly Gate[];
}

/**
 * What differs between two evaluations, a component once: what the opening question of a visit shows.
 *
 * @example gateChanges(lastVisit, today).blocked[0]?.reason.what // 'Pregnant, week 16'
 */
export function gateChanges(before: Gates, now: Gates): GateChanges {
  const of = (gates: Gates, level: Gate['level']) =>
    new Map(gates.gates.filter((gate) => gate.level === level).map((gate) => [gate.component, gate]));
  const missing = (from: Map<Component, Gate>, other: Map<Component, Gate>) =>
    [...from.values()].filter(({ component }) => !other.has(component));
  const [blockedBefore, blockedNow] = [of(before, 'block'), of(now, 'block')];
  return {
    blocked: missing(blockedNow, blockedBefore),
    changed: missing(of(now, 'change'), of(before, 'change')).filter(({ component }) => !blockedNow.has(component)),
    freed: missing(blockedBefore, blockedNow),
  };
}

/** How old the answers are. */
export interface ScreeningAge {
  /** The day of the oldest answer that still counts, or null when nothing was asked. */
  oldest: string | null;
  days: number;
  limitDays: number;
  stale: boolean;
  words: string;
}

/**
 * Whether the screening has gone stale: the oldest answer not gone through since is older than the limit, which is
 * shorter in pregnancy and in the weeks after a birth or surgery.
 *
 * @example screeningAge(profile, '2026-11-23').stale
 */
export function screeningAge(profile: Profile, onDay: string, limits: GateLimits = defaultLimits): ScreeningAge {
  const days = Object.values(profile.answers)
    .filter((answer) => answer.value !== 'unknown')
    .map((answer) => (profile.screenedOn && profile.screenedOn > answer.day ? profile.screenedOn : answer.day))
    .sort();
  const close = gateTable.some((row) => {
    const answer = profile.answers[row.condition];
    const { close: soon } = conditionRules[row.condition] ?? {};
    return soon && !row.from && answer?.value === 'yes' && rowCounts(row, answer, onDay, limits);
  });
  const limitDays = close ? limits.screeningDaysClose : limits.screeningDays;
  const oldest = days[0] ?? null;
  const age = oldest === null ? 0 : daysBetween(oldest, onDay);
  return {
    oldest,
    days: age,
    limitDays,
    stale: age > limitDays,
    words: `Answers are ${age} days old: ask again`,
  };
}
