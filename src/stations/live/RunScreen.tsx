'use client';

import { type ReactNode, useCallback, useMemo, useState } from 'react';
import { MonitorUp } from 'lucide-react';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { type FaultId, faults } from '@/core/catalogue';
import {
  type RunPerson,
  type RunState,
  announcement,
  checksFor,
  clientFigure,
  clientFrame,
  endedByStop,
  mostInGroup,
  remoteFrame,
  remoteNames,
  restingIn,
  watchSigns,
} from '@/core/coach';
import { capital } from '@/core/reasons';
import { type StoredRun } from '@/core/record';
import { conditionIds, signInWords, toldConditions } from '@/core/safety';
import { type PlanItem, drillOf } from '@/core/sequence';
import { newId, send, usePresent } from '@/keep';
import { Button, LinkButton } from '@/parts/Button';
import { PlanStrip } from '@/parts/figures/PlanStrip';
import { Tide } from '@/parts/figures/Tide';
import { patiently } from '@/parts/patiently';
import { EmergencyWords } from '../PathStop';
import { useMeasuredBreath } from '../usePlan';
import { type ClientView } from '../view';
import { type GroupMember, GroupTiles } from './GroupTiles';
import { Held, useHeld } from './Held';
import { Middle } from './Middle';
import { ChecksAsked, EffortPanel, HelpedPanel, KeysPanel, NotePanel, PacePanel, Panel, SoundPanel } from './Panels';
import { RunHeader } from './RunHeader';
import { RunZones } from './RunZones';
import { StopPanel } from './StopPanel';
import { shownWeek } from '../shownWeek';
import { ThisDrill } from './ThisDrill';
import { useSame } from './useSame';
import { TouchChoice, TouchWords } from '../TouchBadge';
import { pressed, useActions, useKeys } from './useActions';
import { useClientWindow, useOpenClientWindow } from './useClientWindow';
import { type Naming, useCues, useNaming, useNeighbours } from './useCoaching';
import { type PairedDevice, usePaired } from './usePaired';
import { usePedal } from './usePedal';
import { type LiveRun, useBreathMarks, useRun } from './useRun';
import { useAwake, useMoment } from './useMoment';
import { useSound, useSpokenCue } from './useSound';
import { useTones } from './useTones';

const panels = {
  helped: 'This helped?',
  pace: 'Pace and dose',
  effort: 'Effort',
  checks: 'Checks',
  note: 'Note',
  screens: 'Other screens',
  sound: 'Sound',
  keys: 'Keys',
} as const;
type PanelId = keyof typeof panels | 'touch' | 'more';
/** What can be opened before a run has begun, too. */
const anyTime: readonly PanelId[] = ['keys', 'sound', 'screens'];
/** On a phone these stand beside “More”; the rest is behind it. */
const onPhone: readonly PanelId[] = ['helped', 'pace'];

// Codes for a camera, which few runs ask for.
const ScreensPanel = dynamic(() => patiently(() => import('./ScreensPanel')).then(({ ScreensPanel }) => ScreensPanel), {
  ssr: false,
  loading: () => <p className="text-ink2">Coming …</p>,
});

const noDevices = { devices: [], elsewhere: null };

/** The live screen: read at three metres, worked with one finger, every press kept before anything else happens. */
export function RunScreen({
  view,
  stored,
  told = null,
  group = [],
  paired = noDevices,
}: {
  view: ClientView<'looks' | 'plan' | 'planning'>;
  stored: StoredRun;
  /** How much had been told of those on it when this was made: once it is more, it is made anew. */
  told?: string | null;
  /** Everybody on the plan, when there is more than one. */
  group?: readonly GroupMember[];
  /** Other devices in the room that go along with the run, and under what they find this server, if at all. */
  paired?: { devices: readonly PairedDevice[]; elsewhere: string | null };
}) {
  const people = useMemo(() => peopleOf(view, group), [view, group]);
  const { refresh } = useRouter();
  const run = useRun(stored, view.settings.weightUnit, people, told === null ? null : { told, onMore: refresh });
  const { state, append, writes, ready, place, nowMs } = run;
  const shown = useMoment(run);
  const sound = useSound(view.settings);
  const { wake } = useTones(run, {
    tones: sound.heard.tones,
    noise: sound.heard.noise,
    latencyMs: view.settings.soundLatencyMs,
  });
  useBreathMarks(run);
  useAwake(state.status === 'running');
  usePresent(state.status === 'running');
  const [panel, setPanel] = useState<PanelId | null>(null);
  const [tile, setChosen] = useState<string | null>(null);
  const resting = useResting(run);
  const held = useHeld(run, group, resting.out);
  const isHeld = held !== null;
  // Once somebody is stopped, the next stop is everybody's again until a tile is tapped anew.
  const chosen = tile !== null && resting.unsettled.has(tile) ? null : tile;

  const index = Math.min(shown.item, state.items.length - 1);
  const item = state.items[index]!;
  const side = sideNow(run, item);
  const who = chosen ?? undefined;
  const gatesNow = group.find(({ clientId }) => clientId === who)?.gates ?? view.gates;
  const cues = useCues(run, item, index);
  const neighbours = useNeighbours(view, run, item, index, group);
  const naming = useNaming(run, index, view.planning.faults, who, gatesNow);
  const actions = useActions(run, wake, { cues, naming, neighbours }, who);
  // A correction is the coach's to say or to show; the voice and the client's window keep to the cue.
  useSpokenCue(cues.words, state.status === 'running' && shown.kind === 'breaths', sound.heard.voice);

  const live = state.status === 'running' || state.status === 'paused';
  const enabled = live && writes && ready;
  const may = useCallback(
    (key: string) => writes && ready && !isHeld && (live || (key === ' ' && state.status === 'ready')),
    [writes, ready, isHeld, live, state.status],
  );
  const toggle = useCallback((id: PanelId) => setPanel((open) => (open === id ? null : id)), []);
  const keys = useMemo(
    () => ({ ...actions.keys, keys: () => toggle('keys'), helped: () => toggle('helped') }),
    [actions.keys, toggle],
  );
  useKeys(keys, may);
  usePedal(view.settings.pedalKeys, actions.press, writes && ready && !isHeld && (live || state.status === 'ready'));

  const { clientCount } = view.settings;
  const week = group.length > 0 ? undefined : shownWeek(view).week;
  const figure = useSame(clientFigure(item, side, week));
  // Whoever looks on from elsewhere is told to breathe normally while one of the group holds everybody.
  const shownState = useMemo<RunState>(() => (isHeld ? { ...state, status: 'stopped' } : state), [isHeld, state]);
  const frame = useCallback(
    () => clientFrame(shownState, nowMs(), { showCount: clientCount, cue: cues.words, figure }),
    [shownState, nowMs, clientCount, cues.words, figure],
  );
  const changes = [shownState.status, state.anchorEpochMs, state.cursorSeconds, shown.segment, cues.words];
  // A window that only looks lags behind: it has nothing to say to the client.
  useClientWindow(frame, nowMs, changes, writes);
  const [inviting, setInviting] = useState(false);
  const names = naming.open && !naming.all ? naming.order.slice(0, remoteNames) : [];
  const devices = usePaired(
    run.id,
    {
      screen: frame,
      remote: (taken) =>
        remoteFrame(shownState, nowMs(), {
          cue: cues.words,
          landed: cues.answer !== null,
          easier: neighbours.easier,
          names,
          taken,
        }),
      onPress: ({ act, place: which }) => {
        if (act === 'name') return naming.name(names[which ?? 0]!);
        pressed[act](actions, { cues, naming, neighbours });
      },
    },
    nowMs,
    [...changes, cues.answer, neighbours.easier, names.join()],
    writes && ready && (paired.devices.length > 0 || inviting),
    paired.devices,
  );
  const askRunSeconds = useCallback(() => {
    const now = place();
    return now.timed.startSeconds + now.intoSeconds;
  }, [place]);
  const openClientWindow = useOpenClientWindow();
  const [emergency, setEmergency] = useState<string | null>(null);
  const logEmergency = (clientId: string, sign: string) => {
    send('fact.add', { factId: newId(), clientId, key: 'emergency', value: { present: [sign] }, basedOn: null });
    // What to do is shown at once and not when the server has answered; in a group the others go on.
    if (clientId === view.id && group.length === 0) setEmergency(sign);
  };
  const { ratePerMinute } = useMeasuredBreath(view);

  if (emergency !== null) {
    return (
      <main id="main" className="p-6">
        <EmergencyWords emergencyNumber={view.settings.emergencyNumber} signs={[signInWords(emergency)]} />
      </main>
    );
  }
  if (held) {
    return (
      <Held {...{ held, run }} settings={view.settings}>
        <OnlyLooks run={run} over={false} />
      </Held>
    );
  }
  if (state.status === 'stopped') {
    return (
      <main id="main" className="h-dvh">
        <OnlyLooks run={run} />
        <StopPanel
          draftKey={`kokyu.run.${run.id}.stop`}
          emergencyNumber={view.settings.emergencyNumber}
          hasEasier={neighbours.easier !== null}
          touch={group.length > 0 ? null : <TouchWords touch={view.known.profile.touch} />}
          onSettled={(event) => {
            append(event);
            if (event.then === 'easier') neighbours.takeEasier();
          }}
          onEmergency={(sign) => logEmergency(view.id, sign)}
        />
      </main>
    );
  }
  if (state.status === 'ended') return <Over view={view} state={state} group={group} />;

  const about = group.find(({ clientId }) => clientId === chosen) ?? null;
  const stopped = group.find(({ clientId }) => resting.unsettled.has(clientId)) ?? null;
  const person = about ?? { clientId: view.id, touch: view.known.profile.touch, latestTouch: view.known.latest.touch };
  const watch = watchSigns(item, signsFor(view, about ? [about] : group));
  // While the next drill is set up, it is the one before that helped or not.
  const rechecked = shown.kind === 'set-up' && index > 0 ? index - 1 : index;
  /** A group is asked for all of it: what each of them told stands on their own page. */
  const conditions = group.length > 0 ? conditionIds : toldConditions(view.known.profile.answers);
  const checksOf = (of: number) => checksFor(drillOf(state.items[of]!), conditions);
  const open = (Object.keys(panels) as (keyof typeof panels)[]).filter(
    (id) => id !== 'checks' || checksOf(rechecked).length > 0,
  );
  const panelShown: ReactNode = stopped ? (
    <StopPanel
      key={stopped.clientId}
      draftKey={`kokyu.run.${run.id}.stop.${stopped.clientId}`}
      name={stopped.name}
      emergencyNumber={view.settings.emergencyNumber}
      hasEasier={false}
      onSettled={(event) => append({ ...event, who: stopped.clientId })}
      onEmergency={(sign) => logEmergency(stopped.clientId, sign)}
    />
  ) : naming.open && naming.all ? (
    <AllFaults naming={naming} />
  ) : panel === null ? null : panel === 'touch' ? (
    <Panel title="Touch" onClose={() => setPanel(null)}>
      <TouchChoice
        key={person.clientId}
        clientId={person.clientId}
        latest={person.latestTouch}
        touch={person.touch}
        onDone={() => setPanel(null)}
      />
    </Panel>
  ) : panel === 'more' ? (
    <Panel title="More" onClose={() => setPanel(null)}>
      <div className="flex flex-wrap gap-2">
        {open
          .filter((id) => !onPhone.includes(id))
          .map((id) => (
            <Button key={id} disabled={!writes || (!anyTime.includes(id) && !live)} onClick={() => setPanel(id)}>
              {panels[id]}
            </Button>
          ))}
      </div>
    </Panel>
  ) : (
    <Panel title={panels[panel]} onClose={() => setPanel(null)}>
      {panel === 'helped' && <HelpedPanel {...{ view, run, who }} index={rechecked} onDone={() => setPanel(null)} />}
      {panel === 'pace' && <PacePanel {...{ view, run, item, index, ratePerMinute, group }} />}
      {panel === 'checks' &&
        (group.length > 0 && !who ? (
          <p>Tap whom it is about first.</p>
        ) : (
          <ChecksAsked key={who} run={run} index={rechecked} checks={checksOf(rechecked)} who={who} />
        ))}
      {panel === 'effort' && <EffortPanel {...{ run, index, neighbours, who }} />}
      {panel === 'note' && <NotePanel run={run} who={who} />}
      {panel === 'screens' && (
        <ScreensPanel runId={run.id} devices={devices} elsewhere={paired.elsewhere} onMade={() => setInviting(true)} />
      )}
      {panel === 'sound' && <SoundPanel {...sound} />}
      {panel === 'keys' && <KeysPanel />}
    </Panel>
  );

  // On a small phone what there is to say has its height, and the rest is scrolled to; a panel and a talk take what room there is.
  const scrolls = panelShown === null && state.pausedBy !== 'talk';

  return (
    <main
      id="main"
      className={`grid h-dvh overflow-hidden ${group.length > 0 ? 'grid-rows-[auto_auto_minmax(0,1fr)_auto_auto]' : 'grid-rows-[auto_minmax(0,1fr)_auto_auto]'}`}
      aria-label="Coaching"
    >
      <RunHeader
        back={`/clients/${view.id}/coach`}
        touch={group.length > 0 && !about ? null : person.touch}
        watch={watch}
        zone={view.settings.timeZone}
        muted={sound.muted}
        minutesLeft={shown.minutesLeft}
        onTouch={() => toggle('touch')}
        onMute={() => sound.setMuted(!sound.muted)}
      />
      {group.length > 0 && (
        <GroupTiles
          members={group.slice(0, mostInGroup)}
          item={item}
          chosen={chosen}
          resting={resting.all}
          onChoose={setChosen}
        />
      )}
      <div
        className={`grid min-h-0 grid-cols-[56px_minmax(0,1fr)] gap-x-4 gap-y-1 p-3 pb-1 max-lg:grid-rows-[minmax(0,1fr)_auto] max-lg:overflow-y-auto max-sm:p-2 upright:grid-cols-[6rem_minmax(0,1fr)] lg:grid-cols-[160px_minmax(0,1fr)_minmax(17rem,25rem)] lg:gap-6 ${scrolls ? 'max-sm:grid-rows-[minmax(min-content,1fr)_auto]' : ''}`}
      >
        <TideOf run={run} />
        <Middle
          {...{ run, shown, item, side, naming }}
          tight={group.length > 0}
          checksOf={checksOf}
          onPress={actions.middle}
          onBegin={actions.waitOrGo}
          onTalkOver={actions.talk}
        />
        <ThisDrill
          weights={view.settings.weightUnit}
          {...{ run, shown, item, cues, naming, neighbours, figure }}
          panel={panelShown}
          whole={stopped !== null}
        />
      </div>
      <div className="flex flex-wrap items-center gap-x-1 px-3" role="group" aria-label="While it runs">
        <Button
          look="quiet"
          className="!px-3 max-sm:!px-1.5"
          disabled={!enabled}
          onClick={actions.takeBack ?? actions.back}
        >
          Back
          <span className="sr-only">
            {neighbours.takeBack
              ? ' to the drill before the swap'
              : actions.takeBack
                ? ' to where it was'
                : ' to the beginning of this drill'}
          </span>
        </Button>
        <Button look="quiet" className="!px-3 max-sm:!px-1.5" disabled={!enabled} onClick={actions.talk}>
          {state.pausedBy === 'talk' ? 'Talk over' : 'Talk'}
        </Button>
        {open.map((id) => (
          <Button
            key={id}
            look="quiet"
            className={`!px-3 max-sm:!px-1.5 ${onPhone.includes(id) ? '' : 'max-sm:hidden'} ${panel === id ? '!text-ink !decoration-ink' : ''}`}
            aria-expanded={panel === id}
            disabled={!writes || (!anyTime.includes(id) && !live)}
            onClick={() => toggle(id)}
          >
            {panels[id]}
          </Button>
        ))}
        <Button
          look="quiet"
          className="!px-1.5 sm:hidden"
          aria-expanded={panel === 'more'}
          onClick={() => toggle('more')}
        >
          More
        </Button>
        <Button look="quiet" className="!px-3 max-sm:hidden" onClick={openClientWindow}>
          <MonitorUp size={18} aria-hidden /> Client’s window
        </Button>
        <PlanStrip
          starts={run.timeline.itemStarts}
          totalSeconds={run.timeline.totalSeconds}
          at={index}
          askSeconds={askRunSeconds}
          className="ml-4 h-6 w-0 min-w-40 grow max-sm:hidden"
        />
      </div>
      <RunZones
        enabled={enabled}
        kind={shown.kind}
        at={shown.segment}
        nextName={nextName(state.items, index)}
        about={about?.name.split(' ')[0] ?? null}
        {...{ cues, naming, neighbours, actions }}
      />
      <p className="sr-only" aria-live="polite" data-announce>
        {announcement(state, place())}
      </p>
      <OnlyLooks run={run} />
    </main>
  );
}

/**
 * Says that another window has the run, and lets this one take it over.
 *
 * @param over whether it lies over what is shown, or stands with it
 */
function OnlyLooks({ run, over = true }: { run: LiveRun; over?: boolean }) {
  if (run.writes || !run.ready) return null;
  return (
    <div
      className={`border-caution bg-cautionw px-5 py-3 ${over ? 'fixed inset-x-0 top-16 z-30 border-b' : 'mt-5 rounded-one border'}`}
      role="alert"
    >
      This run is being coached in another window; this one only looks.{' '}
      <Button look="quiet" onClick={run.takeOver}>
        Coach it here instead
      </Button>
    </div>
  );
}

/** Everybody on the run, whose plan it is first, as the rules of a run ask for them. Whoever may not be coached any more holds it before that. */
function peopleOf(view: ClientView, group: readonly GroupMember[]): RunPerson[] {
  const others = group.filter(({ clientId }) => clientId !== view.id);
  return [{ clientId: view.id, name: view.name, gates: view.gates }, ...others].map(({ clientId, name, gates }) => ({
    clientId,
    name,
    gates,
    closed: null,
  }));
}

/** Whose signs are watched: the client's own, or those of everybody chosen. */
const signsFor = (view: ClientView, members: readonly GroupMember[]) =>
  members.length > 0 ? members.map(({ gates }) => gates) : [view.gates];

/** Who was stopped in a group, still being settled or out for today. */
function useResting({ state }: LiveRun) {
  return useMemo(() => {
    const { unsettled, out } = restingIn(state);
    return { unsettled, out, all: new Set([...unsettled, ...out]) };
  }, [state]);
}

const nextName = (items: readonly PlanItem[], index: number) => {
  const following = items[index + 1];
  return following ? drillOf(following).name : 'the end';
};

function sideNow(run: LiveRun, item: PlanItem): PlanItem['side'] {
  const { segment } = run.place().timed;
  return segment.kind === 'breaths' && segment.side
    ? segment.side
    : segment.kind === 'change side'
      ? segment.to
      : item.side;
}

function TideOf({ run }: { run: LiveRun }) {
  const { place, state } = run;
  const ask = useCallback(() => (state.status === 'ready' ? null : place().moment), [place, state.status]);
  return <Tide ask={ask} className="h-full min-h-0 w-full" />;
}

/** Every fault, likeliest first, when none of the three was it. */
function AllFaults({ naming }: { naming: Naming }) {
  return (
    <Panel title="Which fault?" onClose={naming.close}>
      <div className="flex flex-wrap gap-2">
        {naming.order.map((fault: FaultId) => (
          <Button key={fault} className="!px-3 !font-normal" onClick={() => naming.name(fault)}>
            {capital(faults[fault].words)}
          </Button>
        ))}
      </div>
    </Panel>
  );
}

function Over({ view, state, group }: { view: ClientView; state: RunState; group: readonly GroupMember[] }) {
  const stopped = endedByStop(state);
  const people = group.length > 0 ? group : [{ clientId: view.id, name: null }];
  return (
    <main id="main" className="grid h-dvh place-items-center p-6 text-center">
      <div>
        <h1 className="text-6xl">{stopped ? 'Ended' : 'Done'}</h1>
        <p className="mt-3 text-2xl">
          {stopped ? 'Recheck only once they are well' : 'Recheck now'}: same position, same words.
        </p>
        <div className="mt-8 flex flex-wrap justify-center gap-3">
          {people.map(({ clientId, name }) => (
            <LinkButton
              key={clientId}
              href={`/clients/${clientId}/coach`}
              look="strong"
              className="min-h-14 px-6 text-xl"
            >
              {name === null ? 'Go to the recheck' : `Recheck ${name}`}
            </LinkButton>
          ))}
        </div>
      </div>
    </main>
  );
}
