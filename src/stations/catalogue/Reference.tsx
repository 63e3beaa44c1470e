import { capital, counted } from '@/core/reasons';
import { Link } from '@/parts/Link';
import {
  type Drill,
  correctionLadder,
  cueKinds,
  faultIds,
  faults,
  positionList,
  propList,
  props,
} from '@/core/catalogue';
import { axes } from '@/core/schools';
import { BodyFigure } from '@/parts/figures/body/BodyFigure';

/** Every position with its figure and set-up, in the order a plan goes through them. */
export function Positions({ drills }: { drills: readonly Drill[] }) {
  return (
    <ul className="grid gap-x-6 sm:grid-cols-2 lg:grid-cols-3">
      {positionList.map(({ id, setUp, base }) => {
        const own = drills.filter(({ positions }) => (positions as readonly string[]).includes(id));
        return (
          <li key={id} className="border-t border-rule py-3">
            <BodyFigure className="h-40 w-full" spec={{ position: id }} title={id} />
            <h2 className="mt-1 text-base">{capital(id)}</h2>
            <p>{setUp}</p>
            <p className="text-sm text-ink2">
              {base === 'floor' ? 'On the floor' : base === 'chair' ? 'On a seat' : 'On the feet'},{' '}
              {counted(own.length, 'drill')}
            </p>
          </li>
        );
      })}
    </ul>
  );
}

/** Props with what can stand in, cues by kind, faults with their ladder. */
export function PropsCuesFaults({ drills }: { drills: readonly Drill[] }) {
  const cues = drills.flatMap((drill) => drill.cues.map((cue) => ({ cue, drill })));
  return (
    <div className="grid gap-x-10 gap-y-8 lg:grid-cols-2">
      <section>
        <h2 className="text-lg">Props, and what can stand in</h2>
        <dl>
          {propList.map(({ id, name, substitutes }) => (
            <div key={id} className="grid grid-cols-[12rem_1fr] gap-3 border-t border-rule py-1.5">
              <dt className="font-semibold">{capital(name)}</dt>
              <dd>
                {substitutes.length > 0
                  ? `else ${substitutes.map((other) => props[other as keyof typeof props].name).join(', else ')}`
                  : 'nothing stands in'}
              </dd>
            </div>
          ))}
        </dl>
        <h2 className="mt-8 text-lg">Faults, and what to try</h2>
        <dl>
          {faultIds.map((id) => (
            <div key={id} className="border-t border-rule py-1.5">
              <dt className="font-semibold">{capital(faults[id].words)}</dt>
              <dd className="text-ink2">{correctionLadder(id).join(' → ')}</dd>
            </div>
          ))}
        </dl>
      </section>
      <section>
        <h2 className="text-lg">Cues</h2>
        {cueKinds.map((kind) => (
          <details key={kind} open={kind === 'image'} className="border-t border-rule">
            <summary className="flex min-h-11 cursor-pointer items-center font-semibold">
              {capital(kind)} ({cues.filter(({ cue }) => cue.kind === kind).length})
            </summary>
            <ul className="pb-2">
              {cues
                .filter(({ cue }) => cue.kind === kind)
                .map(({ cue, drill }) => (
                  <li key={drill.id + cue.words} className="flex flex-wrap items-baseline gap-x-3 py-0.5">
                    {cue.words}
                    <Link
                      href={`/catalogue/${drill.id}`}
                      className="text-sm text-ink2 underline decoration-rule underline-offset-4"
                    >
                      {drill.name}
                    </Link>
                    {cue.care && <span className="text-sm text-caution">▲ {cue.care}</span>}
                    {cue.stance && (
                      <span className="text-sm text-ink2">
                        {axes[cue.stance.axis].name}: {cue.stance.stance}
                      </span>
                    )}
                  </li>
                ))}
            </ul>
          </details>
        ))}
      </section>
    </div>
  );
}
