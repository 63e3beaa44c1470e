'use client';

import { ArrowLeft, ArrowRight, Lock, LockOpen } from 'lucide-react';
import { positions, propsInWords, stepPhaseNames } from '@/core/catalogue';
import { Link } from '@/parts/Link';
import { type MeasuredBreath, type Phase } from '@/core/cadence';
import { durationInWords } from '@/core/dose';
import { capital } from '@/core/reasons';
import { type Gates } from '@/core/safety';
import { type PlanItem, cueWords, drillOf, openedRegions, plainDrill } from '@/core/sequence';
import { regions } from '@/core/trunk';
import { Button } from '@/parts/Button';
import { ChoiceChips } from '@/parts/Chips';
import { ReasonList } from '@/parts/ReasonList';
import { Stepper } from '@/parts/Stepper';
import { specOf } from '@/core/body';
import { LateBody } from '@/parts/figures/body/LateBody';
import { partsToTint } from '@/parts/figures/body/tint';
import { BreathEditor } from './BreathEditor';
import { type ScoreEdits } from './ScoreEditor';

/** One item of the plan: everything about it that can be turned by hand, why it is there, and how it is done. */
export function ItemPanel({
  clientId,
  gates,
  week,
  item,
  index,
  count,
  seconds,
  measured,
  phase,
  clashes,
  edits,
  onPhase,
}: {
  clientId: string;
  gates: Gates;
  /** Of a client who is pregnant, the week they are in. */
  week: number | undefined;
  item: PlanItem;
  /** Its place among so many. */
  index: number;
  count: number;
  seconds: number;
  measured: MeasuredBreath;
  phase: Phase | null;
  /** It contradicts another everyday rule, or is marked to. */
  clashes: boolean;
  edits: ScoreEdits;
  onPhase: (phase: Phase) => void;
}) {
  const onChange = (change: Partial<PlanItem>) => edits.turn(item.id, change);
  const drill = drillOf(item);
  // Of the drill as it is written: a stay that was taken out can be put back.
  const stay = plainDrill(item)?.stay ?? null;
  const opened = openedRegions(drill, item.side);
  const tinted = partsToTint(opened);
  return (
    <section aria-label={drill.name} className="mt-3 border-t-2 border-ink pt-3">
      <div className="flex flex-wrap items-start justify-between gap-x-4 gap-y-2">
        <div className="min-w-0">
          <h2 className="text-xl">
            {index + 1}. {drill.name}
          </h2>
          <p className="text-ink2">
            {drill.purpose} {durationInWords(seconds)} with set-up.{' '}
            <Link
              href={`/catalogue/${drill.id}`}
              className="underline decoration-rule underline-offset-4 hover:text-ink"
            >
              In the catalogue
            </Link>
          </p>
        </div>
        <div className="flex flex-wrap gap-2">
          <Button disabled={index === 0} onClick={() => edits.place(item.id, index - 1)}>
            <ArrowLeft size={18} aria-hidden /> Earlier
          </Button>
          <Button disabled={index === count - 1} onClick={() => edits.place(item.id, index + 1)}>
            Later <ArrowRight size={18} aria-hidden />
          </Button>
          <Button aria-pressed={item.locked ?? false} onClick={() => edits.lock(item.id)}>
            {item.locked ? <Lock size={17} aria-hidden /> : <LockOpen size={17} aria-hidden />}
            {item.locked ? 'Locked' : 'Lock'}
          </Button>
          <Button onClick={() => edits.swap(item.id)}>Swap</Button>
          <Button onClick={() => edits.takeOut(item.id)}>Take out</Button>
        </div>
      </div>

      <div className="mt-3 grid gap-x-8 gap-y-4 lg:grid-cols-[14rem_minmax(0,1fr)]">
        <figure className="order-last lg:order-first">
          <LateBody
            className="aspect-[6/5] w-full"
            spec={{ ...specOf(drill, item.position, item.side, item.props), ...(week === undefined ? {} : { week }) }}
            opened={opened}
            title={`${drill.name}, ${item.position}`}
          />
          <figcaption className="text-center text-sm text-ink2">
            {tinted.length > 0 ? `breath to the ${tinted.map((id) => regions[id].name).join(', ')}` : item.position}
          </figcaption>
        </figure>
        <div>
          <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
            {item.cadences.length === 1 && (
              <Stepper
                label="Breaths"
                value={item.breaths}
                min={1}
                max={60}
                onChange={(breaths) => onChange({ breaths })}
              />
            )}
            <Stepper label="Sets" value={item.sets} min={1} max={10} onChange={(sets) => onChange({ sets })} />
            {(item.sets > 1 || item.side === 'both') && (
              <Stepper
                label="Rest between"
                value={item.restSeconds}
                unit="s"
                min={0}
                max={180}
                step={5}
                onChange={(restSeconds) => onChange({ restSeconds })}
              />
            )}
            {stay && (
              <Stepper
                label="Stay after a set"
                value={item.staySeconds ?? 0}
                unit="s"
                min={0}
                max={stay.max}
                step={5}
                onChange={(staySeconds) => onChange({ staySeconds })}
              />
            )}
            {drill.sides !== 'none' && (
              <ChoiceChips
                label="Side (the client’s own)"
                value={item.side}
                choices={[
                  { value: 'left', label: 'Left' },
                  { value: 'right', label: 'Right' },
                  { value: 'both', label: 'Both' },
                ]}
                onChange={(side) => onChange({ side })}
              />
            )}
            {drill.positions.length > 1 && (
              <ChoiceChips
                label="Position"
                value={item.position}
                choices={drill.positions.map((position) => ({ value: position, label: position }))}
                onChange={(position) => onChange({ position })}
              />
            )}
          </div>
          <div className="mt-4">
            <BreathEditor
              drill={drill}
              item={item}
              gates={gates}
              measured={measured}
              phase={phase}
              onPhase={onPhase}
              onChange={onChange}
            />
          </div>
          {clashes && (
            <div className="mt-3">
              <Button aria-pressed={item.contrast ?? false} onClick={() => onChange({ contrast: !item.contrast })}>
                {item.contrast ? '✓ Deliberate contrast' : 'Mark as a deliberate contrast'}
              </Button>
              <p className="mt-1 text-sm text-ink2">
                Two everyday rules that contradict each other only meet in one plan when you mean it.
              </p>
            </div>
          )}
        </div>
      </div>

      <div className="mt-5 grid gap-x-8 gap-y-4 md:grid-cols-2">
        <div>
          <h3 className="text-base">Why</h3>
          {item.reasons.length > 0 ? (
            <ReasonList reasons={item.reasons} linkTo={() => `/clients/${clientId}/screen`} />
          ) : (
            <p className="text-ink2">Chosen by you.</p>
          )}
        </div>
        <HowTo item={item} />
      </div>
    </section>
  );
}

function HowTo({ item }: { item: PlanItem }) {
  const drill = drillOf(item);
  const rows = [
    ...drill.steps.map(({ phase, words }) => [stepPhaseNames[phase], words] as const),
    ['Pelvic floor', drill.floorCue] as const,
    ['Abdominals', drill.abdominalCue] as const,
    ['Cues', cueWords(item).slice(0, 2).join(' · ')] as const,
    ...(item.props.length > 0 ? [['Props', propsInWords(item.props)] as const] : []),
    ...(item.changes.length > 0 ? [['Changed today', capital(item.changes.join('; '))] as const] : []),
  ];
  return (
    <div>
      <h3 className="text-base">How</h3>
      <p>
        {positions[item.position].setUp} {drill.setUp}
      </p>
      <ul className="mt-1">
        {rows.map(([name, words]) => (
          <li key={name + words}>
            <span className="text-ink2">{name}: </span>
            {words}
          </li>
        ))}
      </ul>
    </div>
  );
}
