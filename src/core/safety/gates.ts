import { type Reason, capital, commonPractice } from '../reasons';
import { type Component, components, highRisk } from './components';
import { type Condition, type ConditionId, conditionById, conditionList } from './conditions';
import { type GateLimits, type GateRow, defaultLimits, gateTable } from './gateTable';
import { type Answer, type Profile, ageOn, daysBetween, pregnancyWeek } from './profile';

/** One effect of one condition on one component, with why. */
export interface Gate {
  level: 'block' | 'change' | 'ask';
  component: Component;
  condition: ConditionId;
  /** The other form, for a change. */
  to?: string;
  reason: Reason;
}

/** Everything the profile forbids, changes or wants watched on a day. */
export interface Gates {
  onDay: string;
  gates: readonly Gate[];
  watch: readonly { sign: string; reason: Reason }[];
}

/**
 * Works out what is blocked, changed and to be watched for a client on a day. A block outranks a change of the same
 * component; a question that was not asked keeps the high-risk components off ("ask") until it is.
 *
 * @param profile what is known
 * @param onDay yyyy-mm-dd: weeks of pregnancy and weeks since a birth are carried to this day
 * @param limits week limits set by the coach
 * @source the caution table, common practice; the marks of single rows differ
 * @example evaluateGates(pregnantProfile, '2026-11-23').gates.some((gate) => gate.component === 'hold') // true
 */
export function evaluateGates(profile: Profile, onDay: string, limits: GateLimits = defaultLimits): Gates {
  const gates: Gate[] = [];
  const watch: { sign: string; reason: Reason }[] = [];
  for (const row of gateTable) {
    const condition = conditionById(row.condition);
    const answer = profile.answers[row.condition];
    const value = answer?.value ?? 'unknown';
    if (value === 'unknown') gates.push(...askGates(row, condition, answer));
    if (value !== 'yes' || !rowCounts(row, answer!, onDay, limits)) continue;
    const reason = rowReason(row, condition, answer!, onDay);
    for (const component of row.blocks) {
      gates.push({ level: 'block', component, condition: row.condition, reason });
    }
    for (const change of row.changes) {
      for (const component of change.components) {
        gates.push({ level: 'change', component, condition: row.condition, to: change.to, reason });
      }
    }
    for (const sign of row.watch) {
      if (!watch.some((seen) => seen.sign === sign)) watch.push({ sign, reason });
    }
  }
  return { onDay, gates, watch };
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
  if (row.condition === 'pregnancy' && row.from) {
    const week = pregnancyWeek(answer, onDay);
    // A pregnancy whose week was not told is treated as far along: the safer reading of an unknown.
    return week === null || week >= limits[row.from];
  }
  const window = windowWeeks(row.condition, answer, limits);
  if (window === null || !answer.detail.date) return true;
  return daysBetween(answer.detail.date, onDay) < window * 7;
}

function windowWeeks(condition: ConditionId, answer: Answer, limits: GateLimits): number | null {
  if (condition === 'recentBirth') {
    return answer.detail.caesarean ? limits.afterCaesareanWeeks : limits.afterBirthWeeks;
  }
  return condition === 'surgery' ? limits.afterSurgeryWeeks : null;
}

function rowReason(row: GateRow, condition: Condition, answer: Answer, onDay: string): Reason {
  return {
    what: capital(conditionInWords(row.condition, answer, onDay)),
    rule: `Cautions for ${condition.name}`,
    records: [{ kind: 'fact', id: answer.recordId, label: `${condition.name}, answered ${answer.day}` }],
    provenance: row.provenance,
  };
}

/**
 * A condition with its detail on a day, as it stands in the safety line.
 *
 * @example conditionInWords('pregnancy', { value: 'yes', day: '2026-11-23', recordId: 'a', detail: { weekOnDay: 29 } }, '2026-11-23') // 'pregnant, week 29'
 */
export function conditionInWords(id: ConditionId, answer: Answer, onDay: string): string {
  const name = conditionById(id).name;
  if (id === 'pregnancy') {
    const week = pregnancyWeek(answer, onDay);
    return week === null ? 'pregnant, week not told' : `pregnant, week ${week}`;
  }
  if (id === 'recentBirth' && answer.detail.date) {
    const weeks = Math.floor(daysBetween(answer.detail.date, onDay) / 7);
    return `${weeks} weeks after ${answer.detail.caesarean ? 'a caesarean' : 'birth'}`;
  }
  return answer.detail.side && answer.detail.side !== 'both' ? `${name}, ${answer.detail.side}` : name;
}

/** What the gates say of one drill, test or load set. */
export interface Verdict {
  allowed: boolean;
  /** Blocks and questions not asked, strongest first. */
  refusals: readonly Gate[];
  /** The other forms that must be used. */
  changes: readonly Gate[];
}

/**
 * Holds components against the gates. Refused when any of them is blocked or waits for a question; otherwise allowed
 * with the changes that apply.
 *
 * @example checkComponents(gates, ['hold']).allowed
 */
export function checkComponents(gates: Gates, wanted: readonly Component[]): Verdict {
  const touching = gates.gates.filter((gate) => wanted.includes(gate.component));
  const refusals = touching
    .filter((gate) => gate.level !== 'change')
    .sort((a, b) => Number(a.level === 'ask') - Number(b.level === 'ask'));
  return {
    allowed: refusals.length === 0,
    refusals,
    changes: touching.filter((gate) => gate.level === 'change'),
  };
}

/**
 * A refusal in one sentence: what is off, and why.
 *
 * @example refusalInWords(verdict) // 'Holds beyond a natural pause are off: pregnant, week 29.'
 */
export function refusalInWords(verdict: Verdict): string | null {
  const first = verdict.refusals[0];
  if (!first) return null;
  if (first.level === 'block') {
    const why = first.reason.what.charAt(0).toLowerCase() + first.reason.what.slice(1);
    return `Off today, ${components[first.component]}: ${why}.`;
  }
  const names = [...new Set(verdict.refusals.map((gate) => conditionById(gate.condition).name))];
  return `Not yet, ${components[first.component]}: first ask about ${names.slice(0, 3).join(', ')}${
    names.length > 3 ? ` and ${names.length - 3} more` : ''
  }.`;
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
