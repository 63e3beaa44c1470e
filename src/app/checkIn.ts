import { type HomeReturn, type StoredHome } from '@/core/home';
import { type WeightUnit } from '@/core/load';
import { type Gates } from '@/core/safety';
import { checkInBy, gatesOf, readSettings, returnsOf, wholeStore } from '@/store';
import { todayIn } from './load';

/** What a link’s word leads to: the plan of one person, and what they said of it until now; null where the link is over. */
export function checkInNow(
  word: string,
): { home: StoredHome; gates: Gates; today: string; told: HomeReturn | null; weights: WeightUnit } | null {
  if (!/^[\w-]{43}$/.test(word)) return null;
  const store = wholeStore();
  const found = checkInBy(store, word, Date.now());
  if (!found) return null;
  const { visit, home } = found;
  const { timeZone, limits, weightUnit } = readSettings(store);
  const today = todayIn(timeZone);
  return {
    home,
    gates: gatesOf(store, visit.clientId, today, limits),
    today,
    told: returnsOf(store, visit.id, Math.min(3, home.plan.items.length)).at(-1)?.told ?? null,
    weights: weightUnit,
  };
}
