import { Link } from '@/parts/Link';
import { type Drill } from '@/core/catalogue';
import { capital } from '@/core/reasons';
import { axes, axisIds, contradictions, schoolIds, schools } from '@/core/schools';

/** Where schools differ, made from the table of stances: what each teaches every day, what contradicts, which drills stand where. */
export function SchoolsDiffer({ drills }: { drills: readonly Drill[] }) {
  return (
    <>
      <p className="max-w-3xl">
        Schools of coaching are named here by what they do. A stance in one drill is ordinary teaching; only what is
        taught as an everyday rule can contradict, and two that do never meet in one plan unless the coach marks it as a
        deliberate contrast.
      </p>
      <ul className="mt-4 grid gap-x-10 sm:grid-cols-2">
        {schoolIds.map((id) => {
          const rules = axisIds.filter((axis) => schools[id].everyday[axis]);
          return (
            <li key={id} className="border-t border-rule py-2">
              <h2 className="text-base">{capital(schools[id].name)}</h2>
              <p>{schools[id].holds}</p>
              <p className="text-sm text-ink2">
                {rules.length > 0
                  ? `Every day: ${rules.map((axis) => `${axes[axis].name}: ${schools[id].everyday[axis]}`).join('; ')}.`
                  : 'No everyday rule: it can hold the others as special cases.'}
              </p>
            </li>
          );
        })}
      </ul>
      {axisIds.map((axis) => {
        const pairs = contradictions[axis] ?? [];
        return (
          <section key={axis} aria-labelledby={axis} className="mt-6 border-t border-ink pt-3">
            <h2 id={axis} className="text-lg">
              {capital(axes[axis].name)}
            </h2>
            {pairs.length > 0 && (
              <p className="text-caution">
                ▲ Contradict as everyday rules: {pairs.map(([one, other]) => `“${one}” and “${other}”`).join('; ')}.
              </p>
            )}
            <ul className="mt-1 grid gap-x-8 sm:grid-cols-2 lg:grid-cols-3">
              {axes[axis].stances.map((stance) => {
                const taught = schoolIds.filter((id) => schools[id].everyday[axis] === stance);
                const standing = drills.filter((drill) => drill.stances[axis]?.stance === stance);
                return (
                  <li key={stance} className="border-t border-rule py-2">
                    <h3 className="text-base">{stance}</h3>
                    {taught.length > 0 && (
                      <p className="text-sm">Every day: {taught.map((id) => schools[id].name).join(', ')}</p>
                    )}
                    <p className="text-sm text-ink2">
                      {standing.length === 0
                        ? 'No drill stands here.'
                        : standing.map(({ id, name, stances }, i) => (
                            <span key={id}>
                              {i > 0 && ', '}
                              <Link
                                href={`/catalogue/${id}`}
                                className="underline decoration-rule underline-offset-4 hover:text-ink"
                              >
                                {name}
                              </Link>
                              {stances[axis]!.scope === 'everyday rule' && ' (every day)'}
                            </span>
                          ))}
                    </p>
                  </li>
                );
              })}
            </ul>
          </section>
        );
      })}
      <p className="mt-6 text-sm text-ink2">
        Common practice: opinions of the trade side by side, none of them printed as fact.
      </p>
    </>
  );
}
