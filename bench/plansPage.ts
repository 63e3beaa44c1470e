/** The page on which plans are argued about: people, plans and reasons made here, the judgement lines kept by hand. */
import { drills } from '@/core/catalogue';
import { leadSchoolFor, patterns } from '@/core/read';
import { capital } from '@/core/reasons';
import { schools } from '@/core/schools';
import { makePlan, secondsWithTalk } from '@/core/sequence';
import { constructed } from '../demo/constructed';
import { judgements } from './judgements';
import { asked } from './people';

const lengths = [15, 25, 40] as const;
const names = new Map(drills.map(({ id, name }) => [id, name]));

/** Plans of one person at each length, as lines of the page. */
function plansOf(person: (typeof constructed)[number]): string[] {
  return lengths.flatMap((minutes) => {
    const { request, context } = asked(person, minutes);
    let made = 0;
    const plan = makePlan(request, context, () => `item-${(made += 1)}`);
    const items = plan.items.map(({ drillId, position, sets, breaths }) => {
      const dose = sets > 1 ? `${sets} × ${breaths}` : String(breaths);
      return `${names.get(drillId)} (${position}, ${dose})`;
    });
    const used = (secondsWithTalk(plan.items, request) / 60).toFixed(0);
    return [
      `- **${minutes} minutes** (${used} with talk): ${items.join(' → ')}.`,
      ...(plan.notes ?? []).map((note) => `  *${note}*`),
    ];
  });
}

/** The whole page. */
export function plansPage(): string {
  const people = constructed.filter(({ tie }) => !tie);
  const sections = people.map((person) => {
    const { context } = asked(person, 20);
    const [lead] = context.confirmedPatterns;
    const pattern = patterns.find(({ id }) => id === lead)!;
    const { school } = leadSchoolFor([pattern.id], 'openAllRegions');
    return [
      `## ${capital(person.who)}`,
      '',
      `Read as ${pattern.name}; led by ${schools[school].name}.`,
      '',
      ...plansOf(person),
      '',
      `*Judged:* ${judgements[person.id] ?? 'not yet.'}`,
    ].join('\n');
  });
  return [
    '# Plans, looked at as a practitioner of another school would',
    '',
    'People, plans and notes on this page are made by `npm run bench -- --plans`; a test fails when a plan changes and the page does not. The',
    'lines marked *Judged* are kept by hand (`bench/judgements.ts`): common practice, no published source, the doubts the reviewer’s. Nothing on',
    'the caution list; towel, band, pillow, wall, chair, table, straw, block, ball and half-dome at hand; nobody has done any of it before.',
    '',
    sections.join('\n\n'),
    '',
  ].join('\n');
}
