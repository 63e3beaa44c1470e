'use client';

import { type ReactNode } from 'react';
import { X } from 'lucide-react';
import { breathsPerMinute, cadenceInWords, cycleSeconds } from '@/core/cadence';
import {
  type CheckId,
  type PacingMode,
  adjustment,
  answerOf,
  helpedWords,
  modeOf,
  notesOf,
  sitOutOf,
} from '@/core/coach';
import { inUnit, nextMarked, weightStep } from '@/core/load';
import { markerMeasures, newest } from '@/core/look';
import { capital } from '@/core/reasons';
import { type PlanItem, drillOf, phaseLimits, weightOf, withPhase } from '@/core/sequence';
import { Button } from '@/parts/Button';
import { ChoiceChips } from '@/parts/Chips';
import { Field, TextInput } from '@/parts/Field';
import { Slider } from '@/parts/Slider';
import { Stepper } from '@/parts/Stepper';
import { KeyList } from '@/parts/shell/KeyList';
import { useGuard } from '@/parts/useGuard';
import { useKept } from '@/parts/useKept';
import { type ClientView } from '../view';
import { type GroupMember } from './GroupTiles';
import { type Neighbours } from './useCoaching';
import { type LiveRun } from './useRun';
import { type SoundKind, type Volumes, soundKinds, useHasVoice } from './useSound';

/** What stands in the place of the figure while it is needed; it never covers the pacer. */
export function Panel({ title, onClose, children }: { title: string; onClose: () => void; children: ReactNode }) {
  return (
    <section
      aria-label={title}
      data-panel
      className="flex min-h-0 grow flex-col gap-3 mt-2 overflow-auto border-t-2 border-ink pt-2"
    >
      <div className="flex items-center justify-between">
        <h2 className="text-xl font-semibold">{title}</h2>
        <button
          type="button"
          className="grid size-11 place-items-center"
          aria-label={`Close ${title}`}
          onClick={onClose}
        >
          <X size={22} aria-hidden />
        </button>
      </div>
      {children}
    </section>
  );
}

const modeWords: Record<PacingMode, { name: string; line: string }> = {
  fixed: { name: 'Fixed', line: 'As planned.' },
  follow: { name: 'Follow', line: 'Tap each inhale (Space, B or the pedal): the pacer takes the client’s cadence.' },
  tapped: {
    name: 'By taps',
    line: 'Nothing is paced: each breath or repetition waits for a tap (Space, B or the pedal).',
  },
  ramp: { name: 'Ramp', line: 'From the client’s own rate toward the plan, at most 5 % a breath.' },
};

/** How the pacer goes, and seconds, breaths and sets changed while it goes. */
export function PacePanel({
  view,
  run,
  item,
  index,
  ratePerMinute,
  group,
}: {
  view: ClientView;
  run: LiveRun;
  item: PlanItem;
  index: number;
  /** The client's own resting rate, as counted today; null without a count. */
  ratePerMinute: number | null;
  group: readonly GroupMember[];
}) {
  const { state, append } = run;
  const mode = modeOf(state, index);
  const drill = drillOf(item);
  const [first] = item.cadences;
  const limits = phaseLimits(drill, view.gates);
  const kg = weightOf(item);
  const { weightUnit } = view.settings;
  const step = weightStep[weightUnit];
  const heavy = kg === null ? null : Number(inUnit(kg, weightUnit).toFixed(1));
  const change = (to: Partial<Pick<PlanItem, 'cadences' | 'breaths' | 'sets' | 'kg'>>) =>
    append({ ...adjustment(index, item, to), ...sitOutOf(view.id, group, { ...item, ...to }) });
  const phase = (which: 'inhale' | 'exhale', value: number) =>
    first && change({ cadences: [withPhase(first, which, value, limits, false)] });
  const range = (which: 'inhale' | 'exhale') => limits.find((limit) => limit.phase === which)!;
  const planned = first ? cycleSeconds(first) : 0;
  return (
    <>
      <ChoiceChips
        label="The pacer"
        value={mode}
        choices={(['fixed', 'follow', 'ramp', 'tapped'] as const).map((value) => ({
          value,
          label: modeWords[value].name,
        }))}
        onChange={(next) =>
          append({
            type: 'pace',
            item: index,
            mode: next,
            ...(next === 'ramp' && ratePerMinute !== null ? { fromCycleSeconds: 60 / ratePerMinute } : {}),
          })
        }
      />
      <p className="text-base text-ink2">
        {modeWords[mode].line}
        {mode === 'ramp' &&
          (ratePerMinute === null
            ? ' No resting rate was counted today, so there is nothing to start from: it stays as planned.'
            : ` From ${ratePerMinute.toFixed(1)} to ${(60 / planned).toFixed(1)} a minute.`)}
      </p>
      <div className="flex flex-wrap gap-x-5 gap-y-3">
        {item.cadences.length === 1 && first && (
          <>
            <Stepper
              label="In"
              unit="s"
              step={0.5}
              value={first.inhaleSeconds}
              min={range('inhale').min}
              max={range('inhale').max}
              onChange={(value) => phase('inhale', value)}
            />
            <Stepper
              label="Out"
              unit="s"
              step={0.5}
              value={first.exhaleSeconds}
              min={range('exhale').min}
              max={range('exhale').max}
              onChange={(value) => phase('exhale', value)}
            />
          </>
        )}
        {item.cadences.length === 1 && (
          <Stepper
            label={
              drill.counting.each === 'repetition' && drill.counting.breathsEach === 1
                ? 'Repetitions a set'
                : 'Breaths a set'
            }
            value={item.breaths}
            min={1}
            max={Math.max(item.breaths, drill.breaths.max)}
            onChange={(breaths) => change({ breaths })}
          />
        )}
        {kg !== null && heavy !== null && (
          <Stepper
            label="Weight"
            unit={weightUnit}
            step={step}
            value={heavy}
            min={step}
            max={Math.floor(inUnit(500, weightUnit))}
            onChange={(to) => change({ kg: nextMarked(kg, weightUnit, to > heavy ? 1 : -1) })}
          />
        )}
        <Stepper
          label="Sets"
          value={item.sets}
          min={1}
          max={Math.max(item.sets, drill.sets.max)}
          onChange={(sets) => change({ sets })}
        />
      </div>
      <p className="text-base text-ink2">
        {first && item.cadences.length === 1
          ? `${cadenceInWords(first)}, ${breathsPerMinute(first).toFixed(1)} a minute; from the next breath on.`
          : 'A ladder keeps its rungs.'}
      </p>
    </>
  );
}

/** Effort asked, and a harder drill once it was easy enough. */
export function EffortPanel({
  run,
  index,
  neighbours,
  who,
}: {
  run: LiveRun;
  index: number;
  neighbours: Neighbours;
  who: string | undefined;
}) {
  const { readiness, harder } = neighbours;
  const asked = answerOf(run.state, 'effort', index, who);
  return (
    <>
      <ChoiceChips
        label="How much effort was it, 0 to 10?"
        apart
        value={asked ? String(asked.of10) : null}
        choices={Array.from({ length: 11 }, (_, i) => ({ value: String(i), label: String(i) }))}
        onChange={(value) => run.append({ type: 'effort', item: index, of10: Number(value), ...(who ? { who } : {}) })}
      />
      {harder === null ? (
        <p className="text-ink2">No harder neighbour is open here.</p>
      ) : readiness.met ? (
        <Button look="strong" onClick={() => neighbours.takeHarder()}>
          Harder now (H): {harder}
        </Button>
      ) : (
        <p className="text-ink2">
          Not yet {harder}: {readiness.against.join(' ')}
        </p>
      )}
    </>
  );
}

/** The marker rechecked right after a drill, in one tap, so that a change belongs to it. */
export function HelpedPanel({
  view,
  run,
  index,
  who,
  onDone,
}: {
  view: ClientView<'looks'>;
  run: LiveRun;
  /** The drill it is about: the one under way, or while the next is set up the one before. */
  index: number;
  who: string | undefined;
  onDone: () => void;
}) {
  const item = run.state.items[index]!;
  const asked = answerOf(run.state, 'helped', index, who);
  const marker = newest(view.visit?.looks ?? [], 'marker', 'before');
  return (
    <>
      <p className="text-xl font-semibold">{drillOf(item).name}</p>
      <p className="text-lg text-ink2">
        {marker
          ? `${markerMeasures[marker.raw.measure].name}: same position, same words.`
          : 'No marker was chosen today: how they feel it, in their own word.'}
      </p>
      <div className="grid grid-cols-3 gap-2" role="group" aria-label="Did it help?">
        {helpedWords.map((result) => (
          <Button
            key={result}
            className={`min-h-16 !px-2 text-2xl ${asked?.type === 'helped' && asked.result === result ? '!bg-ink !text-onink' : ''}`}
            onClick={() => {
              run.append({ type: 'helped', item: index, result, ...(who ? { who } : {}) });
              onDone();
            }}
          >
            {capital(result)}
          </Button>
        ))}
      </div>
    </>
  );
}

const noteChips = [
  'Colour of the voice stayed free',
  'Needed more time to find it',
  'Felt it at the back',
  'Felt it at the sides',
  'Preferred eyes open',
  'Asked for a rest',
] as const;

/** Notes by a few chips and short text; kept as they are tapped, the text when it is added. */
export function NotePanel({ run, who }: { run: LiveRun; who: string | undefined }) {
  const [text, type] = useKept(`kokyu.run.${run.id}.note.${who ?? 'one'}`);
  const note = (words: string) => run.append({ type: 'note', text: words, ...(who ? { who } : {}) });
  return (
    <>
      <div className="flex flex-wrap gap-2">
        {noteChips.map((words) => (
          <Button key={words} className="!px-3 !py-1 !font-normal" onClick={() => note(words)}>
            {words}
          </Button>
        ))}
      </div>
      <div className="flex items-end gap-2">
        <div className="grow">
          <Field label="A few words">
            {(ids) => (
              <TextInput {...ids} maxLength={2000} value={text} onChange={(event) => type(event.target.value)} />
            )}
          </Field>
        </div>
        <Button
          disabled={text.trim() === ''}
          onClick={() => {
            note(text.trim());
            type('');
          }}
        >
          Add it
        </Button>
      </div>
      <ul className="text-base">
        {notesOf(run.state, who)
          .slice(-4)
          .map(({ id, text: words }) => (
            <li key={id} className="flex items-baseline justify-between gap-2 border-t border-rule py-1">
              {words}
              <Button look="quiet" className="!min-h-8 !p-0" onClick={() => run.append({ type: 'undo', of: id })}>
                Take back
              </Button>
            </li>
          ))}
      </ul>
    </>
  );
}

/** Loudness and mute of each kind of sound. */
export function SoundPanel({
  volumes,
  set,
  muted,
  setMuted,
}: {
  volumes: Volumes;
  set: (kind: SoundKind, volume: number) => void;
  muted: boolean;
  setMuted: (muted: boolean) => void;
}) {
  const voice = useHasVoice();
  return (
    <>
      <Button onClick={() => setMuted(!muted)}>{muted ? 'Everything on again' : 'Everything off for now'}</Button>
      {(Object.keys(soundKinds) as SoundKind[]).map((kind) => {
        const { name, usual } = soundKinds[kind];
        if (kind === 'voice' && !voice) {
          return (
            <p key={kind} className="text-ink2">
              {name}: this browser has no voice.
            </p>
          );
        }
        return (
          <div key={kind} className="flex items-end gap-3">
            <div className="grow">
              <Slider
                label={name}
                value={volumes[kind]}
                min={0}
                max={100}
                step={10}
                low="silent"
                high="loud"
                onChange={(value) => set(kind, value)}
              />
            </div>
            <Button onClick={() => set(kind, volumes[kind] === 0 ? usual : 0)}>
              {volumes[kind] === 0 ? 'On' : 'Off'}
              <span className="sr-only">: {name}</span>
            </Button>
          </div>
        );
      })}
    </>
  );
}

export function KeysPanel() {
  return (
    <div className="text-lg">
      <KeyList group="run" />
      <p className="mt-2">A pedal: short is a tap or next, long a fault, twice stop.</p>
    </div>
  );
}

const nothingChanges = {};

const checkWords: Readonly<Record<CheckId, string>> = {
  leak: 'a leak',
  heaviness: 'heaviness',
  doming: 'doming',
  'not kept by day': 'not kept through the day',
};

/** What is asked after a drill where somebody needs it: one tap where there was none of it, one for each that there was. */
export function ChecksAsked({
  run,
  index,
  checks,
  who,
}: {
  run: LiveRun;
  index: number;
  checks: readonly CheckId[];
  who: string | undefined;
}) {
  const { name } = drillOf(run.state.items[index]!);
  const asked = answerOf(run.state, 'checked', index, who);
  const found = asked?.found ?? [];
  const byDay = checks.length === 1 && checks[0] === 'not kept by day';
  // A second tap of a fast finger would take back what the first one said.
  const guard = useGuard(nothingChanges);
  const tell = (next: readonly CheckId[]) =>
    run.append({ type: 'checked', item: index, asked: [...checks], found: [...next], ...(who ? { who } : {}) });
  return (
    <div role="group" aria-label={`Asked after ${name}`} data-checks data-panel>
      <p className="text-lg">
        {name}: {byDay ? 'kept through the day since last time' : checks.map((check) => checkWords[check]).join(', ')}?
      </p>
      <div className="mt-1 flex flex-wrap gap-2">
        <Button
          className={asked && found.length === 0 ? '!bg-ink !text-onink' : ''}
          aria-pressed={asked !== null && found.length === 0}
          onClick={() => tell([])}
        >
          {byDay ? 'Kept' : 'None'}
        </Button>
        {checks.map((check) => (
          <Button
            key={check}
            className={found.includes(check) ? '!bg-ink !text-onink' : ''}
            aria-pressed={found.includes(check)}
            onClick={guard(checks.indexOf(check), () =>
              tell(found.includes(check) ? found.filter((one) => one !== check) : [...found, check]),
            )}
          >
            {byDay ? 'Not kept' : capital(checkWords[check])}
          </Button>
        ))}
      </div>
      {found.some((check) => check !== 'not kept by day') && (
        <p className="mt-2 border-l-4 border-caution pl-3 text-base">
          ▲ Stop it here, and step back to what held. It stands in the diary of what was told.
        </p>
      )}
    </div>
  );
}
