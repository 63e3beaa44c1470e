import { v7 as uuid } from 'uuid';
import { type ItemSummary, type StampedEvent, outcomeOf, stateOf, summariseRun, timelineOf } from '@/core/coach';
import { type HomePlan, codeOf, goesOf, homeFaults, homeOffers, usualAtHome } from '@/core/home';
import { instantAt } from '@/core/diary';
import { type CommandKind, type Payload, addDays, dayIn } from '@/core/record';
import { chanceFrom } from '@/core/numbers';
import { findDrill } from '@/core/catalogue';
import { findMovement } from '@/core/load';
import { type ProtocolId, blankRaw } from '@/core/look';
import { readVisit } from '@/core/read';
import { type Gates, conditionIds } from '@/core/safety';
import { type Plan, type PlanRequest, itemFrom, knownDrill, makePlan, refitted } from '@/core/sequence';
import { visitNote } from '@/core/track';
import { evenYields, unobserved } from '@/core/trunk';
import {
  type Store,
  carryOut,
  clearStudio,
  countClients,
  findVisit,
  gatesOf,
  knownClientOf,
  looksOf,
  openStore,
  readSettings,
  storePath,
  visitRecord,
} from '@/store';
import { around, hours, toRemember, waits } from './diary';
import { type DemoPerson, type DemoVisit, people } from './people';

/** Taps of a bit more than a minute at just this rate, with a breath-to-breath spread. */
export function tapsAt(rate: number, spread: number, random: () => number): number[] {
  const breath = 60 / rate;
  const breaths = Math.ceil(62 / breath);
  const lengths = Array.from({ length: breaths }, () => {
    const wobble = (random() + random() + random() - 1.5) * 2 * spread;
    return Math.max(breath / 2, breath + wobble);
  });
  // Scaled so that the spread does not move the rate: a made-up client keeps the rate that is told of them.
  const scale = (breaths * breath) / lengths.reduce((sum, length) => sum + length, 0);
  let at = 0;
  return [0, ...lengths.map((length) => Math.round((at += length * scale) * 100) / 100)];
}

/** The instant of an hour and minute of a day in a zone. */
const instantOf = (day: string, hour: number, minute: number, zone: string) =>
  Date.parse(instantAt(day, hour * 60 + minute, zone));

class Loader {
  constructor(
    private readonly store: Store,
    private readonly today: string,
    private readonly zone: string,
    private readonly random: () => number,
  ) {}

  /** Records something as if it had been recorded then. */
  private record<K extends CommandKind>(kind: K, payload: Payload<K>, atEpochMs: number) {
    const outcome = carryOut(this.store, { id: uuid(), kind, payload }, atEpochMs);
    if (outcome.state === 'refused') throw new Error(`The demo can’t be loaded: ${kind}: ${outcome.why}`);
  }

  private fact(clientId: string, key: Payload<'fact.add'>['key'], value: unknown, at: number) {
    this.record('fact.add', { factId: uuid(), clientId, key, value, basedOn: null }, at);
  }

  person(person: DemoPerson): string {
    const clientId = uuid();
    const first = Math.max(...person.visits.map(({ daysAgo }) => daysAgo));
    const born = instantOf(addDays(this.today, -first), 8, 0, this.zone);
    this.record('client.create', { clientId, factId: uuid(), name: person.name }, born);
    for (const key of ['birthDay', 'complaint', 'goal', 'touch', 'clinician'] as const) {
      if (person[key] !== undefined) this.fact(clientId, key, person[key], born + 60_000);
    }
    for (const id of conditionIds) {
      if (person.unasked?.includes(id)) continue;
      const detail = person.yes[id];
      // Weeks are told as of today in the table above; the answer was given on the first day.
      const told =
        detail?.weekOnDay === undefined ? detail : { ...detail, weekOnDay: detail.weekOnDay - Math.floor(first / 7) };
      this.fact(clientId, `answer:${id}`, told ? { value: 'yes', ...told } : { value: 'no' }, born + 120_000);
    }
    for (const visit of [...person.visits].sort((a, b) => b.daysAgo - a.daysAgo))
      this.visit(clientId, visit, person.places);
    if (person.today) {
      const { hour, minute, minutes, note } = person.today;
      const startsAt = new Date(instantOf(this.today, hour, minute, this.zone)).toISOString();
      this.record(
        'appointment.add',
        { appointmentId: uuid(), clientId, startsAt, minutes, note, seriesId: null },
        born + 180_000,
      );
    }
    return clientId;
  }

  private visit(clientId: string, visit: DemoVisit, places: DemoPerson['places']) {
    const day = addDays(this.today, -visit.daysAgo);
    let at = instantOf(day, 10, 0, this.zone);
    const next = (minutes: number) => (at += minutes * 60_000);
    const visitId = uuid();
    this.record('visit.start', { visitId, clientId }, at);
    this.broughtBack(clientId, at);
    this.fact(clientId, 'emergency', { present: [] }, next(1));
    this.fact(clientId, 'redFlags', { present: [] }, at + 1000);
    const { level, leaks = null, signs = null } = visit.told;
    this.fact(clientId, 'complaintDetail', { places, level }, at + 2000);
    if (leaks !== null || signs !== null) this.fact(clientId, 'symptoms', { leaks, signs }, at + 3000);
    const look = (protocol: Payload<'look.save'>['protocol'], raw: unknown, moment: 'before' | 'after' = 'before') =>
      this.record(
        'look.save',
        { lookId: uuid(), visitId, protocol, moment, takenAt: new Date(at).toISOString(), raw, revision: 0 },
        next(2),
      );

    const { rate, spread, ...seen } = visit.quiet;
    look('quietLook', { ...seen, taps: tapsAt(rate, spread, this.random) });
    look('twoHands', visit.hands);
    const position = visit.hands.position;
    const { map, mapAfter } = visit;
    look('regionMap', {
      ...blankRaw('regionMap'),
      ...map,
      position,
      quiet: { ...unobserved(), ...map.quiet },
      deep: { ...unobserved(), ...map.deep },
    });
    for (const [protocol, raw] of Object.entries(visit.more ?? {}) as [ProtocolId, object][]) {
      look(protocol, blankRaw(protocol, raw));
    }
    if (visit.holds) look('calmHold', { position, tries: visit.holds });
    look('marker', { position, readings: visit.ease.before });
    const { intent, side = null, patterns } = visit;
    this.record(
      'reading.confirm',
      {
        readingId: uuid(),
        visitId,
        reading: { intent, side, patterns, ownLine: '', snapshot: this.snapshot(visitId) },
      },
      next(2),
    );
    this.coached(clientId, visitId, visit, next(3));
    at += 18 * 60_000;
    look('marker', { position, readings: visit.ease.after }, 'after');
    if (mapAfter) {
      look(
        'regionMap',
        {
          position,
          quiet: { ...unobserved(), ...map.quiet },
          deep: { ...unobserved(), ...mapAfter },
          neckQuiet: map.neckQuiet,
          neckDeep: Math.max(0, map.neckDeep - 1),
        },
        'after',
      );
    }
    this.sign(clientId, visitId, next(2));
  }

  /** The note as it is written from the log, signed. */
  private sign(clientId: string, visitId: string, at: number) {
    const row = findVisit(this.store, visitId)!;
    const known = knownClientOf(this.store, clientId, { untilDay: row.day });
    const gates = gatesOf(this.store, clientId, row.day, readSettings(this.store).limits);
    const visit = visitRecord(this.store, row);
    const [run] = visit.runs;
    const calm = run ? summariseRun(stateOf(run), clientId).items.filter((item) => outcomeOf(item) === 'calm') : [];
    const home = [...new Set(calm.map(({ item }) => item.drillId))].slice(0, 2);
    const names = home.map((drillId) => knownDrill({ drillId })?.name ?? drillId);
    const text = visitNote(known, gates, visit, {}, names, { zone: this.zone });
    this.record('note.sign', { visitId, text, home, revision: 0 }, at);
    this.takesHome(visitId, row.day, calm, gates, at + 1000);
  }

  /** What they took home last, by client, to be told of at the next visit. */
  private readonly tookHome = new Map<string, { visitId: string; plan: HomePlan }>();
  /** Chance of its own, so that what is seen and coached stays as it was. */
  private readonly lots = chanceFrom(23).part;

  private takesHome(visitId: string, day: string, calm: readonly ItemSummary[], gates: Gates, at: number) {
    const waking = { wakes: '06:30', sleeps: '22:30', sits: null };
    const best = homeOffers(calm, gates, usualAtHome, [])
      .filter(({ off }) => off === null)
      .slice(0, 2)
      .map((offer) => offer.home);
    const habitsOf = ['wakingAndBed', 'rechecks'] as const;
    const planOf = (items: typeof best): HomePlan => ({
      from: day,
      days: 14,
      ...waking,
      items,
      moreReason: '',
      goes: items.flatMap(({ id }, n) => goesOf(habitsOf[n]!, id, waking, uuid)),
      calledOff: [],
    });
    // Doses grow from visit to visit: what would be too much of a day is left out, the second first.
    const plan = [best, best.slice(0, 1)].map(planOf).find((one) => homeFaults(one).length === 0);
    if (!plan) return;
    this.record('home.save', { visitId, plan, revision: 0 }, at);
    this.record('home.hand', { visitId }, at + 1000);
    const { clientId } = findVisit(this.store, visitId)!;
    this.tookHome.set(clientId, { visitId, plan });
  }

  /** The code from the phone, typed as they come again. */
  private broughtBack(clientId: string, at: number) {
    const took = this.tookHome.get(clientId);
    if (!took) return;
    const levels = ['all', 'all', 'some', 'none'] as const;
    const done = Array.from({ length: 14 }, () => took.plan.items.map(() => levels[Math.floor(this.lots() * 4)]!));
    const felt = took.plan.items.map(() => 'easier' as const);
    const code = codeOf({ done, felt, signs: [] }, took.visitId);
    this.record('home.returned', { returnId: uuid(), visitId: took.visitId, code }, at);
  }

  /** The days around today: who comes, who waits, what to remember. */
  diary(byName: ReadonlyMap<string, string>) {
    const day = (inDays: number) => addDays(this.today, inDays);
    const before = instantOf(day(-14), 12, 0, this.zone);
    const of = (name: string) => {
      const clientId = byName.get(name);
      if (clientId === undefined) throw new Error(`Nobody in the demo is called ${name}.`);
      return clientId;
    };
    for (const { name, inDays, hour, minute, minutes, note, off } of around) {
      const appointmentId = uuid();
      const startsAt = instantAt(day(inDays), hour * 60 + minute, this.zone);
      const payload = { appointmentId, clientId: of(name), startsAt, minutes, note, seriesId: null };
      this.record('appointment.add', payload, before);
      if (off) this.record('appointment.cancel', { appointmentId, ...off }, Date.parse(startsAt) + 20 * 60_000);
    }
    for (const { name, daysAgo, ...wish } of waits) {
      const payload = { waitingId: uuid(), clientId: of(name), ...wish };
      this.record('waiting.add', payload, instantOf(day(-daysAgo), 12, 0, this.zone));
    }
    for (const { name, text } of toRemember) {
      this.record('nextTime.add', { noteId: uuid(), clientId: of(name), text }, instantOf(day(-7), 11, 0, this.zone));
    }
  }

  /** The reading as it stood when it was confirmed. */
  private snapshot(visitId: string) {
    return readVisit({ looks: looksOf(this.store, [visitId]), judgements: [] }, {}).snapshot;
  }

  private readonly plans = new Map<string, Plan>();

  /** The same wish under the same limits gives the same plan: a crowd of clients is planned for only once. */
  private planFor(request: PlanRequest, gates: Gates, confirmedPatterns: string[]): Plan {
    const limits = gates.gates.map(({ level, component, form }) => [level, component, form]);
    const key = JSON.stringify([request, confirmedPatterns, limits]);
    const known = this.plans.get(key);
    if (known) return known;
    const plan = makePlan(request, { gates, yields: evenYields(), confirmedPatterns, stoppedDrills: [] }, uuid);
    this.plans.set(key, plan);
    return plan;
  }

  /** Plans and runs the drills, breath by breath, with a fault and a cue here and there. */
  private coached(clientId: string, visitId: string, visit: DemoVisit, at: number) {
    const gates = gatesOf(this.store, clientId, dayIn(at, this.zone), readSettings(this.store).limits);
    const plan = this.planFor(
      {
        intent: visit.intent,
        side: visit.side ?? null,
        minutes: 14,
        propsAtHand: ['towel', 'pillow', 'wall', 'chair', 'straw'],
        leadSchool: 'openAllRegions',
      },
      gates,
      visit.patterns,
    );
    const carried = (visit.carried ?? []).flatMap((id) => {
      const fitted = refitted(itemFrom(findDrill(id)!, { id: uuid() }), gates);
      return fitted ? [fitted] : [];
    });
    const items = [...plan.items, ...carried];
    this.record('plan.save', { planId: uuid(), visitId, plan: { ...plan, items }, revision: 0 }, at);
    const runId = uuid();
    this.record('run.create', { runId, visitId, items }, at + 1000);
    const events: StampedEvent[] = [];
    const happen = (seconds: number, event: StampedEvent['event']) =>
      events.push({ id: uuid(), seq: events.length, atEpochMs: Math.round(at + 2000 + seconds * 1000), event });
    happen(0, { type: 'start' });
    const timeline = timelineOf(items);
    for (const timed of timeline.segments) {
      if (!timed.breaths || timed.segment.kind !== 'breaths') continue;
      if (visit.stoppedAt === timed.item) {
        happen(timed.startSeconds + 12, { type: 'stop', item: timed.item });
        happen(timed.startSeconds + 95, { type: 'settled', symptoms: ['dizziness'], note: '', then: 'end' });
        break;
      }
      const { set } = timed.segment;
      timed.breaths.cadences.forEach((_, breath) => {
        const done = timed.startSeconds + timed.breaths!.starts[breath + 1]! - 0.2;
        happen(done, { type: 'breath', item: timed.item, set, breath });
      });
      if (this.random() < 0.3) happen(timed.endSeconds - 0.1, { type: 'fault', item: timed.item, fault: 'shoulders' });
      const lot = this.lots();
      const result = lot < 0.6 ? 'better' : lot < 0.93 ? 'same' : 'worse';
      happen(timed.endSeconds - 0.05, { type: 'helped', item: timed.item, result });
    }
    if (visit.stoppedAt === undefined) happen(timeline.totalSeconds, { type: 'end', why: 'done' });
    this.record('run.append', { runId, events }, at + 3000);
    for (const lift of visit.lifted ?? []) {
      const { hand } = findMovement(lift.movementId)!.pull;
      const strategy = lift.effort === null || lift.effort <= 6 ? 'with' : 'keep';
      this.record('lift.log', { liftId: uuid(), visitId, lift: { ...lift, hand, strategy, leaked: false } }, at + 4000);
    }
  }
}

/** Loads the demo studio into a store; dates lie relative to the day it is loaded. */
export function loadDemo(store: Store, nowEpochMs: number, which: readonly DemoPerson[] = people) {
  const setUp = carryOut(
    store,
    {
      id: uuid(),
      kind: 'settings.change',
      payload: { studioName: 'Saltmarsh Movement Rooms', noticeSeen: true, hours },
    },
    nowEpochMs,
  );
  if (setUp.state === 'refused') throw new Error(setUp.why);
  const { timeZone } = readSettings(store);
  const loader = new Loader(store, dayIn(nowEpochMs, timeZone), timeZone, chanceFrom(11).part);
  store.$client.transaction(() => {
    const byName = new Map(which.map((person) => [person.name, loader.person(person)]));
    if (which === people) loader.diary(byName);
  })();
}

const isMain = process.argv[1]?.endsWith('load.ts');
if (isMain) {
  const path = storePath('demo');
  if (process.argv.includes('--fresh')) {
    clearStudio(path);
  }
  const store = openStore(path);
  if (countClients(store) === 0) {
    loadDemo(store, Date.now());
    console.log(`The demo studio is loaded: ${people.length} made-up clients.`);
  } else {
    console.log(
      'The demo studio is as you left it; its days were laid when it was loaded. Load it anew with: npm run demo -- --fresh',
    );
  }
  store.$client.close();
}
