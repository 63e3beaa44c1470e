import { Link } from '@/parts/Link';
import { type Drill } from '@/core/catalogue';
import { axes, axisIds, clashes, everydayRules } from '@/core/schools';
import { openedRegions } from '@/core/sequence';
import { specOf } from '@/core/body';
import { BodyFigure } from '@/parts/figures/body/BodyFigure';
import { factsOfDrill } from './drillFacts';

/** Two drills side by side; what is the same is said softly, what differs stands out. */
export function Compare({ pair, names }: { pair: readonly [Drill, Drill]; names: Record<string, string> }) {
  const nameOf = (id: string) => names[id] ?? id;
  const [a, b] = pair.map((drill) => factsOfDrill(drill, nameOf)) as [
    ReturnType<typeof factsOfDrill>,
    ReturnType<typeof factsOfDrill>,
  ];
  const stances = axisIds
    .map((axis) => ({ head: axes[axis].name, words: pair.map(({ stances: own }) => own[axis]?.stance ?? '–') }))
    .filter(({ words }) => words.some((word) => word !== '–'));
  const rows = [
    ...a.map(({ head, words }, i) => ({ head, words: [words, b[i]!.words] })),
    { head: 'Cues', words: pair.map(({ cues }) => cues.map(({ words }) => words).join(' · ')) },
    ...stances,
  ];
  const against = clashes(everydayRules(pair[0].stances), everydayRules(pair[1].stances));
  return (
    <>
      {against.length > 0 && (
        <p className="mb-3 font-semibold text-caution">
          ▲ Their everyday rules contradict each other on {against.map(({ axis }) => axes[axis].name).join(', ')}: they
          meet in one plan only as a deliberate contrast.
        </p>
      )}
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Comparison">
        <table className="w-full min-w-[44rem] border-collapse text-left">
          <thead>
            <tr className="border-b border-ink align-bottom">
              <td className="w-40" />
              {pair.map((drill) => (
                <th key={drill.id} scope="col" className="px-3 pb-2 font-semibold">
                  <BodyFigure
                    className="mb-1 h-36 w-full"
                    spec={specOf(drill, drill.positions[0]!)}
                    opened={openedRegions(drill, 'left')}
                  />
                  <Link
                    href={`/catalogue/${drill.id}`}
                    className="text-lg underline decoration-rule underline-offset-4"
                  >
                    {drill.name}
                  </Link>
                  <span className="block font-normal text-ink2">{drill.purpose}</span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(({ head, words }) => {
              const same = words[0] === words[1];
              return (
                <tr key={head} className="border-b border-rule align-top">
                  <th scope="row" className="py-1.5 pr-3 text-left font-normal text-ink2">
                    {head}
                  </th>
                  {words.map((word, i) => (
                    <td key={i} className={`px-3 py-1.5 ${same ? 'text-ink2' : ''}`}>
                      {word}
                    </td>
                  ))}
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </>
  );
}
