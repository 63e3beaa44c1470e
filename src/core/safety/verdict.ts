import { listed, lowered } from '../reasons';
import { type Component, components } from './components';
import { conditionById } from './conditions';
import { type FormId, forms, principles, waysOut } from './forms';
import { type Gate, type Gates } from './gates';

/** What the gates say of one drill, test or load set. */
export interface Verdict {
  allowed: boolean;
  /** Blocks and questions not asked, strongest first. */
  refusals: readonly Gate[];
  /** The other forms that must be used: where two rows want different forms of one component, the one that goes first. */
  changes: readonly Gate[];
  /** Forms that gave way, with the gate they gave way to. */
  overruled: readonly { gate: Gate; by: Gate }[];
  /** What would make it allowed and leave the rest as it is; null when nothing small would. */
  smallestChange: string | null;
}

/**
 * Holds components against the gates, in the order of precedence: a block before any change, letting go before lifting,
 * protecting before opening. Refused when any component is blocked or waits for a question; otherwise allowed with the
 * changes that apply.
 *
 * @example checkComponents(gates, ['hold']).smallestChange // 'no pause, straight on'
 */
export function checkComponents(gates: Gates, wanted: readonly Component[]): Verdict {
  const touching = gates.gates.filter((gate) => wanted.includes(gate.component));
  const refusals = touching
    .filter((gate) => gate.level !== 'change')
    .sort((a, b) => Number(a.level === 'ask') - Number(b.level === 'ask'));
  const offered = touching.filter((gate) => gate.level === 'change');
  const first = (gate: Gate) =>
    offered
      .filter(({ component }) => component === gate.component)
      .reduce((best, other) => (rank(other) < rank(best) ? other : best));
  const changes = offered.filter((gate) => rank(gate) === rank(first(gate)));
  return {
    allowed: refusals.length === 0,
    refusals,
    changes,
    overruled: offered.filter((gate) => !changes.includes(gate)).map((gate) => ({ gate, by: first(gate) })),
    smallestChange: smallestChange(refusals),
  };
}

const rank = (gate: Gate) => principles.indexOf(gate.principle ?? 'form');

function smallestChange(refusals: readonly Gate[]): string | null {
  const off = [...new Set(refusals.map(({ component }) => component))];
  const ways = off.map((component) => waysOut[component]);
  if (off.length === 0 || ways.some((way) => way === undefined)) return null;
  return listed([...new Set((ways as FormId[]).map((way) => forms[way].says))]);
}

/**
 * A refusal in one sentence: what is off, and why.
 *
 * @example refusalInWords(checkComponents(gates, ['hold'])) // 'Off today, holds beyond a natural pause: pregnant, week 29.'
 */
export function refusalInWords(verdict: Pick<Verdict, 'refusals'>): string | null {
  const first = verdict.refusals[0];
  if (!first) return null;
  if (first.level === 'block') {
    return `Off today, ${components[first.component]}: ${lowered(first.reason.what)}.`;
  }
  if (first.level === 'change') {
    return `Only in another form today, ${forms[first.form!].says}: ${lowered(first.reason.what)}.`;
  }
  const names = [...new Set(verdict.refusals.map((gate) => conditionById(gate.condition).name))];
  return `Not yet, ${components[first.component]}: first ask about ${names.slice(0, 3).join(', ')}${
    names.length > 3 ? ` and ${names.length - 3} more` : ''
  }.`;
}
