'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import {
  type Drill,
  drills as builtIn,
  faultIds,
  faults as allFaults,
  bandLevelIds,
  families,
  familyIds,
  handIds,
  legIds,
  movementIds,
  movementWords,
  openedIds,
  positionIds,
  propList,
  skillIds,
} from '@/core/catalogue';
import { type Fault } from '@/core/formats';
import { patterns, skills } from '@/core/read';
import { listed } from '@/core/reasons';
import { componentIds, components } from '@/core/safety';
import { axes, axisIds } from '@/core/schools';
import { openedRegions } from '@/core/sequence';
import { regions, type RegionId } from '@/core/trunk';
import { useKeep } from '@/keep';
import { Button } from '@/parts/Button';
import { ChoiceChips, TickChips } from '@/parts/Chips';
import { Field, NamedSelect, Select, TextArea, TextInput } from '@/parts/Field';
import { Notice } from '@/parts/Notice';
import { Stepper } from '@/parts/Stepper';
import { say } from '@/parts/say';
import { specOf } from '@/core/body';
import { BodyFigure } from '@/parts/figures/body/BodyFigure';
import { draftFaults, tidied, outOfReach } from './draft';
import { containedOf } from './drillFacts';
import { CueRow, ErrorLine, Gains, Group, RangeRow } from './DrillRows';

const phaseChoices = ['throughout', 'inhale', 'topPause', 'exhale', 'bottomPause'] as const;
const phaseNames = {
  throughout: 'throughout',
  inhale: 'in',
  topPause: 'pause after in',
  exhale: 'out',
  bottomPause: 'pause after out',
} as const;
const sidedNames: Record<string, string> = { openSide: 'the open side', openBack: 'the back of the open side' };

/** Writing a drill of one's own, in the schema of the built-in ones. What is typed stays in this browser until it is kept. */
export function DrillEditor({ initial, revision, own }: { initial: Drill; revision: number; own: readonly Drill[] }) {
  const router = useRouter();
  const [draft, setDraft, forget] = useKeptDraft(initial);
  const [faults, setFaults] = useState<readonly Fault[]>([]);
  const [refused, setRefused] = useState<string | null>(null);
  const keep = useKeep();
  const derived = containedOf({ ...draft, components: [] });
  const set = (change: Partial<Drill>) => setDraft({ ...draft, ...change });
  const errorOf = (key: string) => faults.find(({ path }) => path[0] === key)?.what ?? null;
  const neighbours = [...own, ...builtIn]
    .filter(({ id }) => id !== draft.id)
    .sort((a, b) => a.name.localeCompare(b.name))
    .map(({ id, name }) => [id, name] as const);

  const save = async () => {
    const found = draftFaults(draft, new Map(own.map((drill) => [drill.id, drill])));
    setFaults(found);
    setRefused(null);
    if (found.length > 0) {
      window.scrollTo({ top: 0 });
      return;
    }
    const outcome = await keep('drill.save', { drill: tidied(draft), revision });
    if (outcome.state === 'refused') {
      setRefused(outcome.why);
      window.scrollTo({ top: 0 });
      return;
    }
    forget();
    router.push(`/catalogue/${draft.id}`);
    router.refresh();
    say(`${draft.name} is in your catalogue.`);
  };

  const text = (key: 'name' | 'purpose' | 'setUp' | 'floorCue' | 'abdominalCue', label: string, long = false) => (
    <Field label={label} error={errorOf(key)}>
      {(ids) =>
        long ? (
          <TextArea {...ids} rows={2} value={draft[key]} onChange={(event) => set({ [key]: event.target.value })} />
        ) : (
          <TextInput {...ids} value={draft[key]} onChange={(event) => set({ [key]: event.target.value })} />
        )
      }
    </Field>
  );

  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      {(faults.length > 0 || refused) && (
        <div className="mb-5">
          <Notice kind="stop" title={refused ?? `Not kept yet: ${faults.length} to mend.`}>
            <ul>
              {faults.map(({ what }) => (
                <li key={what}>{what}</li>
              ))}
            </ul>
          </Notice>
        </div>
      )}
      <div className="grid gap-x-10 gap-y-5 lg:grid-cols-[minmax(0,1fr)_20rem]">
        <div className="grid gap-5">
          {text('name', 'Name')}
          {text('purpose', 'What it does, in one sentence')}
          <div className="grid gap-4 sm:grid-cols-3">
            <NamedSelect
              label="What for"
              value={draft.family}
              choices={familyIds.map((id) => [id, families[id]] as const)}
              onChange={(family) => family && set({ family })}
            />
            <NamedSelect
              label="Movement"
              value={draft.movement}
              choices={movementIds.map((id) => [id, movementWords[id]] as const)}
              onChange={(movement) => movement && set({ movement })}
            />
            <NamedSelect
              label="Hands"
              value={draft.hands}
              choices={handIds.map((id) => [id, id] as const)}
              onChange={(hands) => hands && set({ hands })}
            />
            <NamedSelect
              label="Legs"
              value={draft.legs}
              choices={legIds.map((id) => [id, id] as const)}
              onChange={(legs) => legs && set({ legs })}
            />
            <NamedSelect
              label="Band or towel lies"
              value={draft.band}
              choices={bandLevelIds.map(
                (id) =>
                  [id, id === 'lower ribs' ? 'round the lower ribs' : id === 'waist' ? 'round the waist' : id] as const,
              )}
              onChange={(band) => band && set({ band })}
            />
            <Stepper label="Level (1 to 6)" value={draft.level} min={1} max={6} onChange={(level) => set({ level })} />
          </div>
          <TickChips
            label="Positions, the first ticked is shown first"
            values={draft.positions}
            choices={positionIds.map((id) => ({ value: id, label: id }))}
            onChange={(positions) => set({ positions })}
          />
          <ErrorLine words={errorOf('positions')} />
          <TickChips
            label="Props"
            values={draft.props}
            choices={propList.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={(props) => set({ props })}
          />
          {text('setUp', 'Set-up', true)}
          <Stepper
            label="Set-up time"
            value={draft.setUpSeconds}
            unit="s"
            min={5}
            max={180}
            step={5}
            onChange={(setUpSeconds) => set({ setUpSeconds })}
          />
        </div>
        <figure>
          <BodyFigure
            className="w-full border-y border-rule"
            spec={specOf(draft, draft.positions[0] ?? 'sitting')}
            opened={openedRegions(draft, 'left')}
            title="The drill as its figure shows it"
          />
          <figcaption className="text-sm text-ink2">
            <span role="status">{outOfReach(draft) ?? 'As it will be shown.'}</span>
          </figcaption>
        </figure>
      </div>

      <Group title="Steps">
        {draft.steps.map((step, i) => (
          <div key={i} className="flex flex-wrap items-end gap-3">
            <div className="w-44">
              <Field label={`Step ${i + 1}, when`}>
                {(ids) => (
                  <Select
                    {...ids}
                    value={step.phase}
                    onChange={(event) =>
                      set({
                        steps: replaced(draft.steps, i, { ...step, phase: event.target.value as typeof step.phase }),
                      })
                    }
                  >
                    {phaseChoices.map((id) => (
                      <option key={id} value={id}>
                        {phaseNames[id]}
                      </option>
                    ))}
                  </Select>
                )}
              </Field>
            </div>
            <div className="min-w-64 grow">
              <Field label={`Step ${i + 1}, what`}>
                {(ids) => (
                  <TextInput
                    {...ids}
                    value={step.words}
                    onChange={(event) =>
                      set({ steps: replaced(draft.steps, i, { ...step, words: event.target.value }) })
                    }
                  />
                )}
              </Field>
            </div>
            <Button look="quiet" onClick={() => set({ steps: draft.steps.filter((_, at) => at !== i) })}>
              Take off <span className="sr-only">step {i + 1}</span>
            </Button>
          </div>
        ))}
        <ErrorLine words={errorOf('steps')} />
        <div>
          <Button onClick={() => set({ steps: [...draft.steps, { phase: 'throughout', words: '' }] })}>
            Add a step
          </Button>
        </div>
      </Group>

      <Group title="Breath and dose">
        {draft.breath.kind === 'steady' ? (
          (['inhale', 'topPause', 'exhale', 'bottomPause'] as const).map((phase) => (
            <RangeRow
              key={phase}
              label={`${phaseNames[phase]}, seconds`}
              value={(draft.breath as Extract<Drill['breath'], { kind: 'steady' }>)[phase]}
              step={0.5}
              onChange={(range) =>
                set({ breath: { ...(draft.breath as Extract<Drill['breath'], { kind: 'steady' }>), [phase]: range } })
              }
            />
          ))
        ) : (
          <p>A ladder of {draft.breath.rungs.length} rungs, as in the drill it was copied from.</p>
        )}
        <RangeRow label="breaths a set" value={draft.breaths} step={1} onChange={(breaths) => set({ breaths })} />
        <RangeRow label="sets" value={draft.sets} step={1} onChange={(sets) => set({ sets })} />
        <ErrorLine
          words={faults.find(({ path }) => ['breath', 'breaths', 'sets'].includes(String(path[0])))?.what ?? null}
        />
        <div className="flex flex-wrap items-end gap-6">
          <Stepper
            label="Rest between sets"
            value={draft.restSeconds}
            unit="s"
            min={0}
            max={180}
            step={5}
            onChange={(restSeconds) => set({ restSeconds })}
          />
          <ChoiceChips
            label="Sides"
            value={draft.sides}
            choices={[
              { value: 'none', label: 'None' },
              { value: 'one or both', label: 'One side or both' },
            ]}
            onChange={(sides) => set({ sides })}
          />
        </div>
        <div className="grid gap-4 sm:grid-cols-2">
          {text('floorCue', 'Pelvic floor')}
          {text('abdominalCue', 'Abdominals')}
        </div>
      </Group>

      <Group title="Cues, at most five words each">
        {draft.cues.map((cue, i) => (
          <CueRow
            key={i}
            cue={cue}
            index={i}
            onChange={(next) => set({ cues: replaced(draft.cues, i, next) })}
            onRemove={() => set({ cues: draft.cues.filter((_, at) => at !== i) })}
          />
        ))}
        <ErrorLine words={errorOf('cues')} />
        <div>
          <Button
            disabled={draft.cues.length >= 8}
            onClick={() => set({ cues: [...draft.cues, { words: '', kind: 'instruction', care: null, stance: null }] })}
          >
            Add a cue
          </Button>
        </div>
      </Group>

      <Group title="What it gains, 0 to 3">
        <Gains
          ids={openedIds}
          nameOf={(id) => sidedNames[id] ?? regions[id as RegionId].name}
          values={draft.opens as Record<string, number>}
          onChange={(opens) => set({ opens: opens as Drill['opens'] })}
        />
        <Gains
          ids={skillIds}
          nameOf={(id) => skills[id as keyof typeof skills]}
          values={draft.skills as Record<string, number>}
          onChange={(gained) => set({ skills: gained as Drill['skills'] })}
        />
        <TickChips
          label="Patterns it answers, the first ticked above all"
          values={draft.answers}
          choices={patterns.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={(answers) => set({ answers })}
        />
        <ErrorLine words={errorOf('answers')} />
      </Group>

      <Group title="Safety and faults">
        <TickChips
          label="What it contains: each is gated for the clients it is not for"
          values={draft.components}
          choices={componentIds.map((id) => ({ value: id, label: components[id] }))}
          onChange={(list) => set({ components: list })}
        />
        <p className="text-sm text-ink2">
          {derived.length > 0
            ? `Besides, from its movement, breath, props and stances: ${listed(derived.map((id) => components[id]))}.`
            : 'Its positions are gated too, whatever is ticked here.'}
        </p>
        <ErrorLine words={errorOf('components')} />
        <TickChips
          label="Faults to look for"
          values={draft.faults}
          choices={faultIds.map((id) => ({ value: id, label: allFaults[id].words }))}
          onChange={(list) => set({ faults: list })}
        />
        <ErrorLine words={errorOf('faults')} />
      </Group>

      <Group title="What is counted">
        <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
          <ChoiceChips
            label="A set counts"
            value={draft.counting.each === 'breath' ? 'breaths' : `${draft.counting.breathsEach}`}
            choices={[
              { value: 'breaths', label: 'Breaths' },
              { value: '1', label: 'Repetitions of one breath' },
              { value: '2', label: 'Repetitions of two' },
            ]}
            onChange={(value) =>
              set({
                counting:
                  value === 'breaths'
                    ? { each: 'breath', breathsEach: 1, feet: false }
                    : { ...draft.counting, each: 'repetition', breathsEach: value === '1' ? 1 : 2 },
              })
            }
          />
          <ChoiceChips
            label="Feet"
            value={draft.counting.feet ? 'change' : 'no'}
            choices={[
              { value: 'no', label: 'Do not change' },
              { value: 'change', label: 'Change each repetition' },
            ]}
            onChange={(value) => set({ counting: { ...draft.counting, each: 'repetition', feet: value === 'change' } })}
          />
          <ChoiceChips
            label="A set is called"
            value={draft.setsAre}
            choices={[
              { value: 'sets', label: 'Set' },
              { value: 'rounds', label: 'Round' },
              { value: 'levels', label: 'Level' },
            ]}
            onChange={(setsAre) => set({ setsAre })}
          />
          <Stepper
            label="Stay after a set"
            unit="s"
            step={5}
            value={draft.stay?.start ?? 0}
            min={0}
            max={60}
            onChange={(seconds) =>
              set({ stay: seconds === 0 ? null : { min: 0, start: seconds, max: Math.max(30, seconds) } })
            }
          />
        </div>
        <Field label="Asked or done after each set">
          {(ids) => (
            <TextInput
              {...ids}
              maxLength={120}
              value={draft.afterSet ?? ''}
              onChange={(event) => set({ afterSet: event.target.value === '' ? null : event.target.value })}
            />
          )}
        </Field>
      </Group>

      <Group title="Neighbours and stances">
        <div className="grid gap-4 sm:grid-cols-2 lg:grid-cols-4">
          {(['easier', 'harder', 'otherWay'] as const).map((key) => (
            <NamedSelect
              key={key}
              label={neighbourLabels[key]}
              error={errorOf(key)}
              value={draft[key] ?? ''}
              none="none"
              choices={neighbours}
              onChange={(id) => set({ [key]: id || null })}
            />
          ))}
          <NamedSelect
            label="Wants first"
            value={draft.prerequisites[0] ?? ''}
            none="nothing"
            choices={neighbours}
            onChange={(id) => set({ prerequisites: id ? [id] : [] })}
          />
        </div>
        <div className="grid gap-x-6 gap-y-3 sm:grid-cols-2">
          {axisIds.map((axis) => (
            <div key={axis} className="flex items-end gap-3">
              <div className="grow">
                <NamedSelect
                  label={axes[axis].name}
                  value={draft.stances[axis]?.stance ?? ''}
                  none="no stance"
                  choices={axes[axis].stances.map((stance) => [stance, stance] as const)}
                  onChange={(stance) => {
                    const { [axis]: before, ...rest } = draft.stances;
                    set({
                      stances: stance ? { ...rest, [axis]: { stance, scope: before?.scope ?? 'this drill' } } : rest,
                    });
                  }}
                />
              </div>
              <label className="flex min-h-11 items-center gap-2 text-sm">
                <input
                  type="checkbox"
                  className="size-5 accent-ink"
                  disabled={!draft.stances[axis]}
                  checked={draft.stances[axis]?.scope === 'everyday rule'}
                  onChange={(event) =>
                    set({
                      stances: {
                        ...draft.stances,
                        [axis]: {
                          ...draft.stances[axis]!,
                          scope: event.target.checked ? 'everyday rule' : 'this drill',
                        },
                      },
                    })
                  }
                />
                every day<span className="sr-only">: {axes[axis].name}</span>
              </label>
            </div>
          ))}
        </div>
      </Group>

      <div className="sticky bottom-0 mt-6 flex flex-wrap items-center gap-3 border-t border-ink bg-paper py-3">
        <Button look="strong" type="submit">
          Keep the drill
        </Button>
        <Button
          onClick={() => {
            const before = draft;
            forget();
            setDraft(initial);
            setFaults([]);
            say('Back to how it began.', () => setDraft(before));
          }}
        >
          Begin again
        </Button>
        <span className="text-sm text-ink2">What you type stays in this browser until you keep it.</span>
      </div>
    </form>
  );
}

const replaced = <T,>(list: readonly T[], at: number, value: T): T[] => list.map((old, i) => (i === at ? value : old));

/** A draft left in this browser, or null where there is none or it can't be read. */
function readKept(key: string): Partial<Drill> | null {
  try {
    return JSON.parse(localStorage.getItem(key) ?? 'null') as Partial<Drill> | null;
  } catch {
    return null;
  }
}

const neighbourLabels = { easier: 'Easier neighbour', harder: 'Harder neighbour', otherWay: 'Another way' } as const;

/** The draft, written into this browser on every change, so that a closed tab loses nothing. */
function useKeptDraft(initial: Drill): [Drill, (draft: Drill) => void, () => void] {
  const key = `drill-draft:${initial.id}`;
  const [draft, setDraft] = useState(initial);
  useEffect(() => {
    const kept = readKept(key);
    // What another day left here is taken up after the page has been drawn as the server drew it.
    if (kept) queueMicrotask(() => setDraft({ ...initial, ...kept }));
  }, [key, initial]);
  const change = (next: Drill) => {
    setDraft(next);
    localStorage.setItem(key, JSON.stringify(next));
  };
  return [draft, change, () => localStorage.removeItem(key)];
}
