'use client';

import {
  type Drill,
  type PositionId,
  correctionLadder,
  faults,
  movementInWords,
  positions,
  stepPhaseNames,
} from '@/core/catalogue';
import { motionOf, openedRegions, startCadences } from '@/core/sequence';
import { Link } from '@/parts/Link';
import { useRouter } from 'next/navigation';
import { useCallback, useMemo, useState } from 'react';
import { capital, listed } from '@/core/reasons';
import { axes, type AxisId } from '@/core/schools';
import { regions, type TrunkMotion } from '@/core/trunk';
import { send } from '@/keep';
import { Button, LinkButton } from '@/parts/Button';
import { ChoiceChips } from '@/parts/Chips';
import { ProvenanceMark } from '@/parts/Provenance';
import { say } from '@/parts/say';
import { specOf } from '@/core/body';
import { BreathingBody } from '@/parts/figures/body/BreathingBody';
import { partsToTint } from '@/parts/figures/body/tint';
import { type AskMoment } from '@/parts/figures/Tide';
import { TrunkSection } from '@/parts/figures/trunk/TrunkSection';
import { teachingMoment } from '../teaching';
import { factsOfDrill } from './drillFacts';

/** How the canister moves in this drill, from both views: its own breath, round and round. */
function BreathOfDrill({ motion, ask }: { motion: TrunkMotion; ask: AskMoment }) {
  return (
    <figure className="mt-3">
      <div className="flex justify-around gap-4">
        <TrunkSection motion={motion} view="side" ask={ask} labels className="h-56" />
        <TrunkSection motion={motion} view="front" ask={ask} labels className="h-56" />
      </div>
      <figcaption className="mt-1 text-sm text-ink2">{motion.words.join(' ')}</figcaption>
    </figure>
  );
}

/** Everything about one drill, with its figure in each position. */
export function DrillPage({ drill, own, names }: { drill: Drill; own: boolean; names: Record<string, string> }) {
  const router = useRouter();
  const [position, setPosition] = useState<PositionId>(drill.positions[0]!);
  const [side, setSide] = useState<'left' | 'right'>('left');
  const figure = useMemo(() => {
    const worked = drill.sides === 'none' ? 'none' : side;
    return {
      spec: specOf(drill, position, side),
      opened: openedRegions(drill, worked),
      motion: motionOf(drill, worked),
    };
  }, [drill, position, side]);
  const ask = useCallback(
    () => teachingMoment(startCadences(drill), performance.timeOrigin + performance.now()),
    [drill],
  );
  const tinted = partsToTint(figure.opened);
  const nameOf = (id: string) => names[id] ?? id;
  const remove = () => {
    send('drill.remove', { drillId: drill.id });
    router.push('/catalogue');
    say(`${drill.name} is out of your catalogue.`, () => send('drill.restore', { drillId: drill.id }));
  };
  return (
    <article>
      <div className="flex flex-wrap items-start justify-between gap-4">
        <div>
          <h1 className="text-2xl">{drill.name}</h1>
          <p className="text-ink2">{drill.purpose}</p>
        </div>
        <div className="flex flex-wrap gap-2">
          {own && <LinkButton href={`/catalogue/own/${drill.id}`}>Edit</LinkButton>}
          <LinkButton href={`/catalogue/own/new?from=${drill.id}`}>Copy and change</LinkButton>
          {own && <Button onClick={remove}>Take out</Button>}
        </div>
      </div>

      <div className="mt-4 grid gap-x-10 gap-y-5 lg:grid-cols-[26rem_minmax(0,1fr)]">
        <div>
          <BreathingBody
            className="aspect-[3/2] w-full border-y border-rule"
            spec={figure.spec}
            opened={figure.opened}
            motion={figure.motion}
            ask={ask}
            title={`${drill.name}, ${position}${movementInWords(drill) === 'still' ? '' : `: ${movementInWords(drill)}`}`}
          />
          <p className="mt-1 text-sm text-ink2">
            {tinted.length > 0 &&
              `Tinted, as far as it is seen from here: where the breath should go, ${listed(tinted.map((id) => regions[id].name))}. `}
            {drill.movement !== 'none' && 'Arrow, and dotted where it can be drawn: the movement.'}
          </p>
          <BreathOfDrill motion={figure.motion} ask={ask} />
          <div className="mt-3 flex flex-wrap gap-4">
            {drill.positions.length > 1 && (
              <ChoiceChips
                label="Position"
                apart
                value={position}
                choices={drill.positions.map((id) => ({ value: id, label: id }))}
                onChange={setPosition}
              />
            )}
            {drill.sides !== 'none' && (
              <ChoiceChips
                label="Side that opens (the client’s own)"
                value={side}
                choices={[
                  { value: 'left', label: 'Left' },
                  { value: 'right', label: 'Right' },
                ]}
                onChange={setSide}
              />
            )}
          </div>
        </div>

        <div>
          <h2 className="text-lg">How</h2>
          <p>
            {positions[position].setUp} {drill.setUp}
          </p>
          <ol className="mt-2 border-t border-rule">
            {drill.steps.map(({ phase, words }) => (
              <li key={phase + words} className="grid grid-cols-[7rem_1fr] gap-3 border-b border-rule py-1.5">
                <span className="text-ink2">{stepPhaseNames[phase]}</span>
                {words}
              </li>
            ))}
          </ol>
          <h2 className="mt-5 text-lg">Cues</h2>
          <ul>
            {drill.cues.map((cue) => (
              <li key={cue.words} className="flex flex-wrap items-baseline gap-x-3 border-b border-rule py-1.5">
                <span className="font-semibold">{cue.words}</span>
                <span className="text-sm text-ink2">{cue.kind}</span>
                {cue.care && <span className="text-sm text-caution">▲ handle with care: {cue.care}</span>}
                {cue.stance && (
                  <span className="text-sm text-ink2">
                    teaches {axes[cue.stance.axis].name}: {cue.stance.stance}
                  </span>
                )}
              </li>
            ))}
          </ul>
        </div>
      </div>

      <div className="mt-6 grid gap-x-10 gap-y-6 lg:grid-cols-2">
        <section>
          <h2 className="text-lg">
            Facts <ProvenanceMark provenance={drill.provenance} />
          </h2>
          <dl>
            {factsOfDrill(drill, nameOf).map(({ head, words }) => (
              <div key={head} className="grid grid-cols-[8rem_1fr] gap-3 border-t border-rule py-1.5">
                <dt className="text-ink2">{head}</dt>
                <dd>
                  {head === 'Easier' && drill.easier ? (
                    <DrillLink id={drill.easier} name={words} />
                  ) : head === 'Harder' && drill.harder ? (
                    <DrillLink id={drill.harder} name={words} />
                  ) : (
                    words
                  )}
                </dd>
              </div>
            ))}
          </dl>
        </section>
        <section>
          <h2 className="text-lg">Faults and corrections</h2>
          <ul>
            {drill.faults.map((id) => (
              <li key={id} className="border-t border-rule py-1.5">
                <span className="font-semibold">{capital(faults[id].words)}</span>
                <span className="block text-ink2">{correctionLadder(id).join(' → ')}</span>
              </li>
            ))}
          </ul>
          <h2 className="mt-6 text-lg">Where it stands</h2>
          <dl>
            {(Object.keys(axes) as AxisId[])
              .filter((axis) => drill.stances[axis])
              .map((axis) => (
                <div key={axis} className="grid grid-cols-[11rem_1fr] gap-3 border-t border-rule py-1.5">
                  <dt className="text-ink2">{axes[axis].name}</dt>
                  <dd>
                    {drill.stances[axis]!.stance}
                    <span className="text-sm text-ink2"> · {drill.stances[axis]!.scope}</span>
                  </dd>
                </div>
              ))}
          </dl>
        </section>
      </div>
    </article>
  );
}

const DrillLink = ({ id, name }: { id: string; name: string }) => (
  <Link href={`/catalogue/${id}`} className="underline decoration-rule underline-offset-4 hover:decoration-ink">
    {name}
  </Link>
);
