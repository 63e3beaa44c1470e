import { type LookPosition, type LookRecord, type ProtocolId, type Raw, blankRaw } from '../look';
import { type Grades, regionIds, unobserved } from '../trunk';
import { type Chance } from '../numbers';
import { givenByPosition } from './evidence';
import { type Person } from './person';

/** How well somebody looks: the chance that a grade is off by a step, a yes or no wrong, a field not seen. */
export interface Eyes {
  gradeOff: number;
  wrong: number;
  notSeen: number;
  /** Spread of what is measured with a tape, a watch or hands, against the usual coach's. */
  loose: number;
  /** Left and right are graded together, so that one slip moves both. */
  pairsTogether: boolean;
  /** Grades this much higher or lower than others would. */
  bias: number;
}
export const coachQualities = {
  good: { gradeOff: 0.1, wrong: 0.03, notSeen: 0.04, loose: 0.5, pairsTogether: false, bias: 0 },
  average: { gradeOff: 0.25, wrong: 0.08, notSeen: 0.1, loose: 1, pairsTogether: false, bias: 0 },
  rough: { gradeOff: 0.4, wrong: 0.15, notSeen: 0.18, loose: 1.7, pairsTogether: false, bias: 0 },
} as const satisfies Record<string, Eyes>;
export type CoachQuality = keyof typeof coachQualities;
export const coachQualityIds = Object.keys(coachQualities) as CoachQuality[];

type YesNo = 'yes' | 'no' | 'not observed';

/** What one coach notes down of one person. */
class Noting {
  constructor(
    readonly person: Person,
    readonly eyes: Eyes,
    readonly chance: Chance,
  ) {}

  missed = () => this.chance.yes(this.eyes.notSeen);
  truly = (there: boolean) => there !== this.chance.yes(this.eyes.wrong);
  yes = (there: boolean): YesNo => (this.missed() ? 'not observed' : this.truly(there) ? 'yes' : 'no');
  no = (fault: boolean): YesNo => this.yes(!fault);
  slip = () => (this.chance.yes(this.eyes.gradeOff) ? this.chance.pick([-1, 1] as const) : 0);
  grade = (value: number, slip = this.slip()) => Math.max(0, Math.min(3, Math.round(value + this.eyes.bias) + slip));
  gradeOrNot = (value: number) => (this.missed() ? null : this.grade(value));
  measured = (value: number, spread: number, least: number) =>
    Math.max(least, Math.round(this.chance.normal(value, spread * this.eyes.loose) * 10) / 10);
  ofTen = (value: number, spread = 1) => Math.max(0, Math.min(10, Math.round(this.measured(value, spread, 0))));
  /** One of three along a line, the middle being usual. */
  among = <const T extends string>(
    value: number,
    [low, high]: readonly [number, number],
    [a, b, c]: readonly [T, T, T],
  ): T | 'not observed' => {
    if (this.missed()) return 'not observed';
    if (this.chance.yes(this.eyes.wrong)) return this.chance.pick([a, b, c]);
    return value < low ? a : value > high ? c : b;
  };
}

const spotOf = (position: LookPosition) =>
  position === 'hook-lying' || position === 'side-lying' ? 'lying' : position === 'standing' ? 'standing' : 'sitting';

/** How far a part opens there, and how much of it is lost by those who lose their breath upright. */
function opens(person: Person, id: (typeof regionIds)[number], position: LookPosition): number {
  const spot = spotOf(position);
  const lost = spot === 'lying' ? 0 : spot === 'sitting' ? person.numbers.lostSitting : person.numbers.lostStanding;
  // Ten steps of depth are three of a grade, and the usual loss is there already.
  const beyond = Math.max(0, lost - (spot === 'standing' ? 1.1 : 0.6)) * 0.3;
  return person.trunk[id] + (givenByPosition[spot][id] ?? 0) - beyond;
}

function mapOf(noting: Noting, position: LookPosition): Raw<'regionMap'> {
  const { person, eyes } = noting;
  const gradesOf = (less: number): Grades => {
    const grades = unobserved();
    for (const id of regionIds) {
      if (noting.missed()) continue;
      grades[id] = noting.grade(opens(person, id, position) - less);
    }
    if (eyes.pairsTogether) {
      for (const [left, right] of [
        ['leftSide', 'rightSide'],
        ['leftBack', 'rightBack'],
      ] as const) {
        if (grades[left] === null || grades[right] === null) continue;
        const slip = noting.slip();
        grades[left] = noting.grade(opens(person, left, position) - less, slip);
        grades[right] = noting.grade(opens(person, right, position) - less, slip);
      }
    }
    return grades;
  };
  const neck = (more: number) => (noting.missed() ? null : noting.grade(person.numbers.neck + more));
  return blankRaw('regionMap', {
    position,
    quiet: gradesOf(person.quietLess),
    deep: gradesOf(0),
    neckQuiet: neck(0),
    neckDeep: neck(0.4),
    extension: noting.yes(person.signs.arches),
  });
}

const lead = (person: Person, chance: Chance, deep: number) =>
  opens(person, 'belly', 'hook-lying') - opens(person, 'chestFront', 'hook-lying') - deep + chance.normal(0, 0.35);
const handEdges = [-0.3, 1.3] as const;

/** How each protocol is noted down; a protocol not among them gives nothing. */
const notes: { [P in ProtocolId]?: (noting: Noting, position: LookPosition) => Raw<P> } = {
  quietLook: (noting) => {
    const { person, chance } = noting;
    const rate = Math.max(6, person.numbers.rate);
    const taps = Array.from({ length: Math.round(rate) + 1 }, (_, i) => Math.round((i * 6000) / rate) / 100);
    const seen = (
      [
        ['sighs', person.signs.sighs],
        ['yawns', person.signs.yawns],
        ['shoulders', person.signs.shouldersRise],
      ] as const
    ).flatMap(([tick, there]) => (noting.truly(there) ? [tick] : []));
    const belly = lead(person, chance, 0);
    return blankRaw('quietLook', {
      taps,
      starts:
        person.signs.startsChest && noting.truly(true)
          ? 'chest'
          : noting.among(-belly, [-1.3, 0.3], ['belly', 'ribs', 'chest']),
      route: noting.missed()
        ? 'not observed'
        : noting.truly(person.signs.mouth)
          ? chance.pick(['mouth', 'mouth', 'both'])
          : 'nose',
      sound: noting.missed() ? 'not observed' : noting.truly(person.signs.audible) ? 'audible' : 'silent',
      seen,
    });
  },
  twoHands: (noting) => {
    const { person, chance } = noting;
    return blankRaw('twoHands', {
      leads: noting.among(-lead(person, chance, 0), [-handEdges[1], -handEdges[0]], ['belly', 'together', 'chest']),
      movesMore: noting.among(-lead(person, chance, 0), [-handEdges[1], -handEdges[0]], ['belly', 'even', 'chest']),
      bellyDrawsIn: noting.yes(person.signs.drawsIn),
      deepLeads: noting.among(
        -lead(person, chance, 0.4),
        [-handEdges[1], -handEdges[0]],
        ['belly', 'together', 'chest'],
      ),
      freeVoice: noting.missed() ? 'not observed' : noting.truly(person.signs.tense) ? 'tense' : 'free',
    });
  },
  frontOn: (noting) => {
    const { signs } = noting.person;
    const sides = (less: number) =>
      (opens(noting.person, 'leftSide', 'standing') + opens(noting.person, 'rightSide', 'standing')) / 2 - less < 1;
    return blankRaw('frontOn', {
      shoulders: noting.yes(signs.shouldersRise),
      upperOnly: noting.yes(signs.upperOnly),
      sides: noting.no(sides(noting.person.quietLess)),
      nostrils: noting.yes(signs.nostrils),
      shouldersDeep: noting.yes(signs.shouldersRiseDeep),
      upperOnlyDeep: noting.yes(signs.upperOnlyDeep),
      sidesDeep: noting.no(sides(0)),
      neckCordsDeep: noting.yes(signs.neckCords),
      yawnsDaily: noting.yes(signs.yawnsDaily),
    });
  },
  regionMap: mapOf,
  tape: (noting) => {
    const goes = Array.from({ length: 2 }, () => ({
      exhaleCm: 90,
      inhaleCm: 90 + noting.measured(noting.person.numbers.tapeCm, 0.5, 0),
    }));
    return blankRaw('tape', {
      levels: { fourth: goes, waist: goes },
      paradoxical: noting.truly(noting.person.signs.waistSmaller) ? ['waist'] : [],
    });
  },
  twoLine: (noting) =>
    blankRaw('twoLine', {
      quiet: {
        upperDegrees: Math.min(90, noting.measured(noting.person.numbers.upperDegrees, 5, 1)),
        lowerDegrees: Math.min(90, noting.measured(noting.person.numbers.lowerDegrees, 5, 1)),
      },
    }),
  fingerGap: (noting) =>
    blankRaw('fingerGap', {
      goes: Array.from({ length: 2 }, () => ({
        exhaleCm: 4,
        inhaleCm: 4 + noting.measured(noting.person.numbers.gapCm, 0.5, 0),
      })),
      shrugs: 'no',
    }),
  sideBend: (noting) => {
    const slip = noting.slip();
    const together = noting.eyes.pairsTogether;
    const { left, right } = noting.person.bend;
    return blankRaw('sideBend', {
      left: noting.missed() ? null : together ? noting.grade(left, slip) : noting.grade(left),
      right: noting.missed() ? null : together ? noting.grade(right, slip) : noting.grade(right),
    });
  },
  postureSearch: (noting) => {
    const { numbers } = noting.person;
    const at = (lost: number) => noting.ofTen(numbers.depthLying - lost);
    return blankRaw('postureSearch', {
      depth: {
        lying: { between: at(0) },
        sitting: {
          between: at(numbers.lostSitting),
          arched: at(numbers.lostSitting + numbers.lostArched),
          slouched: at(numbers.lostSitting + numbers.lostSlouched),
        },
        standing: { between: at(numbers.lostStanding), arched: at(numbers.lostStanding + numbers.lostArched) },
      },
    });
  },
  stack: (noting) => {
    const { signs, numbers } = noting.person;
    return blankRaw('stack', {
      infrasternal: 'middle',
      flareRest: noting.gradeOrNot(numbers.flareRest),
      flareExhale: noting.gradeOrNot(numbers.flareExhale),
      thorax: noting.missed() ? 'not observed' : noting.truly(signs.thoraxInFront) ? 'in front' : 'over',
      pelvis: noting.missed() ? 'not observed' : noting.truly(signs.pelvisForward) ? 'tipped forward' : 'neutral',
      lowBackOff: noting.yes(signs.lowBackOff),
      midBackStiff: noting.yes(signs.midBackStiff),
      obliquesGrip: noting.yes(signs.obliquesGrip),
    });
  },
  exhale: (noting) => {
    const { signs, numbers } = noting.person;
    return blankRaw('exhale', {
      seconds: [noting.measured(numbers.exhaleSeconds, 0.8, 0.8)],
      sound: noting.missed() ? 'not observed' : noting.truly(signs.dumps) ? 'dumping' : 'even',
      ribsDown: noting.no(signs.ribsStay),
      abdominalsFelt: noting.no(signs.noAbdominals),
      nextInhale: noting.missed() ? null : noting.ofTen(numbers.nextInhale),
    });
  },
  wallOrder: (noting) => {
    const { signs } = noting.person;
    const foot = () => {
      if (noting.missed()) return null;
      return [
        ...(noting.truly(signs.marchPops) ? (['belly'] as const) : []),
        ...(noting.truly(signs.marchArches) ? (['back'] as const) : []),
      ];
    };
    return blankRaw('wallOrder', {
      first: noting.missed()
        ? 'not observed'
        : noting.truly(signs.upperFirst)
          ? 'upper'
          : noting.chance.pick(['lower', 'together']),
      lowerBalloons: noting.yes(signs.balloons),
      marchLeft: foot(),
      marchRight: foot(),
    });
  },
  floor: (noting) => {
    const { signs, feelsFloor } = noting.person;
    const felt = (fault: boolean) => (feelsFloor || noting.chance.yes(0.3) ? noting.no(fault) : 'can’t feel');
    const leaks = noting.yes(signs.leaksWithEffort || signs.leaksWithUrge);
    return blankRaw('floor', {
      softens: felt(signs.floorDoesNotSoften),
      lifts: felt(signs.floorDoesNotLift),
      letsGo: felt(signs.floorDoesNotLetGo),
      bearsDown: noting.yes(signs.bearsDown),
      glutesGrip: noting.yes(signs.glutesGrip),
      pain: noting.yes(signs.floorPain),
      urgency: noting.yes(signs.urgency),
      leaks,
      leaksWith:
        leaks === 'yes'
          ? [
              ...(signs.leaksWithEffort || !signs.leaksWithUrge
                ? [noting.chance.pick(['cough', 'jump', 'lift'] as const)]
                : []),
              ...(signs.leaksWithUrge ? ['urge' as const] : []),
            ]
          : [],
    });
  },
  pelvicRock: (noting) => blankRaw('pelvicRock', { nods: noting.no(noting.person.signs.noNod) }),
  calmHold: (noting) => ({
    position: 'hook-lying',
    tries: Array.from({ length: 2 }, () => {
      const gasps = noting.truly(noting.person.signs.gasps) && noting.chance.yes(0.7);
      return {
        seconds: noting.measured(noting.person.numbers.holdSeconds, 2.5, 2),
        feeling: 'calm' as const,
        firstBreath: gasps ? noting.chance.pick(['mouth', 'nose and big'] as const) : ('nose and quiet' as const),
      };
    }),
  }),
  tenCount: (noting) =>
    blankRaw('tenCount', { result: noting.person.signs.tenCountHard ? 'stopped before ten' : 'calm to ten' }),
  questionnaire: (noting) => {
    const sum = Math.max(0, Math.min(64, Math.round(noting.person.numbers.symptoms)));
    const answers = Array.from({ length: 16 }, (_, i) => Math.floor(sum / 16) + (i < sum % 16 ? 1 : 0));
    return blankRaw('questionnaire', { answers });
  },
};

/**
 * What a coach notes of a person by one protocol, as the record it would leave.
 *
 * @param take which time it is looked at: another time is looked at afresh
 * @returns null for a protocol that says nothing of how somebody breathes
 * @example seenOf(person, 'regionMap', coachQualities.good, chance)?.raw
 */
export function seenOf(
  person: Person,
  protocol: ProtocolId,
  eyes: Eyes,
  chance: Chance,
  { position = 'hook-lying', take = 1 }: { position?: LookPosition; take?: number } = {},
): LookRecord | null {
  const note = notes[protocol] as ((noting: Noting, position: LookPosition) => Raw<ProtocolId>) | undefined;
  if (!note) return null;
  return {
    id: `${protocol}-${take}`,
    visitId: 'visit',
    protocol,
    version: 1,
    moment: 'before',
    takenAt: `2026-11-23T10:0${take}:00.000Z`,
    raw: note(new Noting(person, eyes, chance), position),
  };
}
