import { type Drill, drillSchema } from '@/core/catalogue';
import { type Fault, drillFaults } from '@/core/formats';
import { inEnglish } from '@/core/reasons';
import { tidied } from './draft';
import { wantedOf } from './drillForm';

const breathWords: Record<string, string> = {
  inhale: 'In',
  topPause: 'Pause after the inhale',
  exhale: 'Out',
  bottomPause: 'Pause after the exhale',
};

/** Everything that stands in the way of keeping a draft, a sentence each. */
export function draftFaults(draft: Drill, known: ReadonlyMap<string, Drill>): Fault[] {
  const drill = tidied(draft);
  const parsed = drillSchema.safeParse(drill, inEnglish);
  if (parsed.success) return drillFaults(parsed.data, new Map([...known, [drill.id, parsed.data]]));
  const seen = new Set<string>();
  return parsed.error.issues.flatMap(({ path, message }) => {
    const [first, second] = path.map(String);
    const key = first === 'breath' ? `breath.${second}` : (first ?? '');
    if (seen.has(key)) return [];
    seen.add(key);
    const range = ['breaths', 'sets'].includes(first ?? '') || first === 'breath';
    const name =
      first === 'breath'
        ? breathWords[second ?? '']
        : first === 'breaths'
          ? 'Breaths'
          : first === 'sets'
            ? 'Sets'
            : first;
    const what = range
      ? `${name}: the start lies between the least and the most, none below 0.`
      : (wantedOf.get(first ?? '') ?? `${first}: ${message}`);
    return [{ path: path.filter((step) => typeof step !== 'symbol'), what }];
  });
}
