import {
  type ProtocolId,
  type Raw,
  bestPosture,
  calmHold,
  excursionOf,
  holdCounts,
  leaksWithEffort,
  photoFigureOrNull,
  rateOf,
  questionnaireSum,
  rateBand,
  smallGapCm,
  twoLine,
} from '../look';
import { type Readings, type Severity } from './findings';
import { type FindingId, findingTable } from './findingTable';

const present = (there: boolean, severity: Severity = 2) => ({ severity: there ? severity : (0 as Severity) });

/** Rows of a yes/no field: when it was answered, the finding is there or looked for and not there. */
function answered<R>(raw: R, rows: readonly (readonly [keyof R, FindingId, Severity, string?])[]): Readings {
  const found: Readings = {};
  for (const [key, finding, severity, there = 'yes'] of rows) {
    const value = raw[key];
    if (value === 'not observed') continue;
    const next = present(value === there, severity);
    if (next.severity >= (found[finding]?.severity ?? 0)) found[finding] = next;
  }
  return found;
}

const known = <T extends string>(answer: T) =>
  (answer === 'can’t feel' ? 'not observed' : answer) as Exclude<T, 'can’t feel'>;

/** The highest edge a value reaches, edges falling: how marked it is. */
const below = (value: number, edges: readonly [number, Severity][]): Severity =>
  edges.find(([edge]) => value < edge)?.[1] ?? 0;
const from = (value: number, edges: readonly [number, Severity][]): Severity =>
  edges.find(([edge]) => value >= edge)?.[1] ?? 0;

/** Usual still [R1], and yet seen more often where the chest does the breathing. Common practice, the size ours. */
const briskRate = 17;

/**
 * What each protocol but the region map says of the findings. Edges without a published source are common practice, the
 * sizes ours.
 */
export const readers: { [P in ProtocolId]?: (raw: Raw<P>) => Readings } = {
  quietLook: (raw) => {
    const found: Readings = {};
    const rate = rateOf(raw.taps);
    if (rate) {
      const { breathsPerMinute } = rate;
      const { points, from: lowest } = rateBand(breathsPerMinute);
      const brisk = lowest < 21 && breathsPerMinute >= briskRate;
      const severity = lowest < 21 ? (brisk ? 1 : 0) : (points as Severity);
      const words = `resting rate ${breathsPerMinute.toFixed(1)} a minute`;
      found.rateHigh = { severity, words: brisk ? `${words}, brisk but within the usual` : words };
    }
    if (raw.starts !== 'not observed') found.startsInChest = present(raw.starts === 'chest');
    if (raw.route !== 'not observed') {
      found.mouthBreathing = present(raw.route !== 'nose', raw.route === 'mouth' ? 3 : 1);
    }
    if (raw.sound !== 'not observed') found.audible = present(raw.sound === 'audible');
    // Ticks count as looked for once anything of the quiet look was noted down: an untouched form says nothing.
    const watched =
      raw.seen.length > 0 ||
      raw.starts !== 'not observed' ||
      raw.route !== 'not observed' ||
      raw.sound !== 'not observed';
    if (watched) {
      found.shouldersRise = present(raw.seen.includes('shoulders'), 3);
      const sighing = Number(raw.seen.includes('sighs')) + Number(raw.seen.includes('yawns'));
      found.sighs = { severity: sighing === 2 ? 3 : (sighing as Severity) };
    }
    return found;
  },

  twoHands: (raw) => {
    const strong = raw.movesMore === 'not observed' || raw.movesMore === raw.leads ? 3 : 2;
    return answered(raw, [
      ['leads', 'chestLeads', strong, 'chest'],
      ['leads', 'bellyLeads', strong, 'belly'],
      ['deepLeads', 'chestLeadsDeep', 2, 'chest'],
      ['bellyDrawsIn', 'bellyDrawsIn', 3],
      ['freeVoice', 'tensionInBreath', 2, 'tense'],
    ]);
  },

  frontOn: (raw) => ({
    ...answered(raw, [
      ['shoulders', 'shouldersRise', 3],
      ['shouldersDeep', 'shouldersRiseDeep', 2],
      ['upperOnlyDeep', 'upperOnly', 1],
      ['upperOnly', 'upperOnly', 3],
      ['nostrils', 'nostrilsFlare', 2],
      ['neckCordsDeep', 'neckCords', 2],
      ['yawnsDaily', 'sighs', 1],
      // A part that opens on a deep breath is available, so the deep ones decide where they were seen.
      [raw.sidesDeep === 'not observed' ? 'sides' : 'sidesDeep', 'sidesStillFront', 2, 'no'],
    ]),
  }),

  tape: ({ levels, paradoxical }) => {
    const found: Readings = {};
    const fourth = excursionOf(levels.fourth ?? [], paradoxical.includes('fourth'));
    if (fourth && fourth.goes > 0) {
      // [R6]: 2.5 cm or less markedly small, about 5 cm or more usual; the step between is ours.
      const severity: Severity =
        fourth.meanCm <= 2.5
          ? 3
          : below(fourth.meanCm, [
              [4, 2],
              [5, 1],
            ]);
      found.tapeSmall = { severity, words: `chest girth changes by ${fourth.meanCm.toFixed(1)} cm` };
    }
    if (levels.waist || paradoxical.length > 0) found.waistSmaller = present(paradoxical.includes('waist'), 3);
    return found;
  },

  twoLine: ({ quiet }) => {
    const { upperDegrees, lowerDegrees } = quiet;
    if (upperDegrees === null || lowerDegrees === null || upperDegrees + lowerDegrees === 0) return {};
    const { percentRibCage } = twoLine(upperDegrees, lowerDegrees);
    const severity = from(percentRibCage, [
      [80, 3],
      [70, 2],
      [60, 1],
    ]);
    return { ribCageLead: { severity, words: `upper ribs do ${percentRibCage.toFixed(0)} % of the motion` } };
  },

  fingerGap: ({ goes }) => {
    const gap = excursionOf(goes);
    if (!gap || gap.goes === 0) return {};
    return {
      gapSmall: {
        severity: below(gap.meanCm, [
          [smallGapCm / 2, 3],
          [smallGapCm, 2],
        ]),
        words: `the finger gap opens ${gap.meanCm.toFixed(1)} cm`,
      },
    };
  },

  sideBend: ({ left, right }) => {
    if (left === null || right === null) return {};
    const step = Math.abs(left - right);
    const side = left < right ? 'left' : 'right';
    return {
      bendPoor: {
        severity: below(left + right, [
          [2.1, 3],
          [3.1, 2],
          [4.1, 1],
        ]),
      },
      bendDiffers:
        step === 0
          ? { severity: 0, words: 'both sides open alike in a side bend' }
          : { severity: Math.min(3, step) as Severity, side, words: `the ${side} side opens less in a side bend` },
    };
  },

  postureSearch: ({ depth }) => {
    const { best, dropArched, dropSlouched, lostSitting, lostStanding } = bestPosture(depth);
    const drops: readonly [number, Severity][] = [
      [5, 3],
      [3.5, 2],
    ];
    const found: Readings = {};
    if (dropArched !== null) found.dropArched = { severity: from(dropArched, drops) };
    if (dropSlouched !== null) found.dropSlouched = { severity: from(dropSlouched, drops) };
    // What was never there can't be lost; harder each time is usual, so the edges lie beyond it.
    const goodLying = (best.lying?.depth ?? 0) >= 5;
    const lost = (drop: number, edges: readonly [number, Severity][]) => ({
      severity: goodLying ? from(drop, edges) : (0 as Severity),
    });
    if (lostSitting !== null)
      found.lostSitting = lost(lostSitting, [
        [4.5, 3],
        [3, 2],
        [2, 1],
      ]);
    if (lostStanding !== null)
      found.lostStanding = lost(lostStanding, [
        [5, 3],
        [3.5, 2],
        [2.5, 1],
      ]);
    return found;
  },

  stack: (raw) => {
    const found: Readings = {
      ...answered(raw, [
        ['thorax', 'ribsForward', 2, 'in front'],
        ['pelvis', 'pelvisForward', 2, 'tipped forward'],
        ['lowBackOff', 'lowBackOff', 2],
        ['midBackStiff', 'midBackStiff', 2],
        ['obliquesGrip', 'obliquesGrip', 2],
      ]),
    };
    if (raw.flareRest !== null) found.flareRest = { severity: raw.flareRest as Severity };
    if (raw.flareExhale !== null) found.flareStays = { severity: raw.flareExhale as Severity };
    for (const photo of raw.photos) {
      const figure = photoFigureOrNull(photo);
      if (figure === null) continue;
      if (photo.measure === 'pelvicTilt') {
        found.pelvisForward = {
          severity: from(figure, [
            [16, 3],
            [9, 2],
          ]),
          words: `the pelvis is tipped ${figure.toFixed(0)}° on the photo`,
        };
      }
      if (photo.measure === 'thoraxOffset') {
        found.ribsForward = {
          severity: from(figure, [
            [12, 3],
            [6, 2],
          ]),
          words: `the ribs stand ${figure.toFixed(0)} % in front of the pelvis on the photo`,
        };
      }
    }
    return found;
  },

  exhale: (raw) => {
    const found: Readings = {
      ...answered(raw, [
        ['sound', 'exhaleDumps', 2, 'dumping'],
        ['ribsDown', 'ribsStayUp', 3, 'no'],
        ['abdominalsFelt', 'absNotFelt', 2, 'no'],
      ]),
    };
    if (raw.seconds.length > 0) {
      const longest = Math.max(...raw.seconds);
      found.exhaleShort = {
        severity: below(longest, [
          [3, 3],
          [5, 2],
        ]),
        words: `easy exhale of ${longest.toFixed(1)} s`,
      };
    }
    if (raw.nextInhale !== null) {
      found.nextInhaleTight = {
        severity: below(raw.nextInhale, [
          [3, 3],
          [5.5, 2],
        ]),
      };
    }
    return found;
  },

  wallOrder: ({ first, lowerBalloons, marchLeft, marchRight }) => {
    const found: Readings = {};
    if (first !== 'not observed') found.upperAbsFirst = present(first === 'upper', 3);
    if (lowerBalloons !== 'not observed') found.lowerBalloons = present(lowerBalloons === 'yes', 3);
    const marched = [marchLeft, marchRight].filter((faults) => faults !== null);
    if (marched.length > 0) {
      const times = (fault: 'belly' | 'back' | 'hips') => marched.filter((faults) => faults.includes(fault)).length;
      found.marchPops = { severity: times('belly') === 0 ? 0 : times('belly') === 2 ? 3 : 2 };
      const other = times('back') + times('hips');
      found.marchArches = { severity: other === 0 ? 0 : other === 1 ? 1 : 2 };
    }
    return found;
  },

  floor: (raw) => {
    const felt = {
      ...raw,
      // What can't be felt is not known: neither fine nor a fault.
      softens: known(raw.softens),
      lifts: known(raw.lifts),
      letsGo: known(raw.letsGo),
    };
    const found: Readings = answered(felt, [
      ['softens', 'floorHolds', 3, 'no'],
      ['lifts', 'floorNoLift', 2, 'no'],
      ['letsGo', 'cannotLetGo', 3, 'no'],
      ['pain', 'floorPain', 3],
      ['urgency', 'urgency', 2],
      ['bearsDown', 'bearsDown', 3],
      ['glutesGrip', 'glutesGrip', 2],
    ]);
    const asked = [raw.softens, raw.letsGo].filter((answer) => answer !== 'not observed');
    if (asked.length > 0) {
      const unfelt = asked.filter((answer) => answer === 'can’t feel').length;
      const beside = [raw.pain, raw.urgency, raw.glutesGrip].filter((answer) => answer === 'yes').length;
      found.cannotFeelFloor = {
        severity: unfelt === 0 ? 0 : (Math.min(3, 1 + beside) as Severity),
        words:
          unfelt > 0 && beside > 0
            ? 'the pelvic floor can’t be felt, and there is pain, urgency or gripping'
            : findingTable.cannotFeelFloor.words,
      };
    }
    if (raw.leaks !== 'not observed') {
      const urgeOnly = raw.leaks === 'yes' && leaksWithEffort(raw) === false;
      found.leaks = urgeOnly
        ? { severity: 0, words: 'leaks on the way only, not with effort' }
        : present(raw.leaks === 'yes', raw.leaksOften === 'daily' || raw.leaksHowMuch === 'more' ? 3 : 2);
      if (urgeOnly) found.urgency = { severity: 2, words: 'leaks on the way: an urge, not an effort' };
    }
    return found;
  },

  pelvicRock: ({ nods, stuckAt }) =>
    nods === 'not observed'
      ? {}
      : {
          noNod: {
            severity: nods === 'yes' ? 0 : 2,
            words:
              nods === 'no' && stuckAt !== 'not observed'
                ? `the pelvic rock stops at the ${stuckAt}`
                : 'the pelvic rock does not reach the head',
          },
        },

  calmHold: ({ tries, position }) => {
    if (tries.length === 0) return {};
    // Walking uses air: a walked hold is shorter for everybody and is followed in steps, not read as short.
    const seconds = position === 'walking' ? null : calmHold(tries).seconds;
    return {
      gaspAfterHold: present(tries.some((hold) => !holdCounts(hold))),
      ...(seconds === null
        ? {}
        : {
            holdShort: {
              severity: below(seconds, [
                [10, 3],
                [15, 2],
                [20, 1],
              ]),
              words: `calm exhale hold ${Math.round(seconds)} s`,
            },
          }),
    };
  },

  tenCount: ({ result }) => (result === 'not observed' ? {} : { tenCountHard: present(result !== 'calm to ten', 1) }),

  questionnaire: ({ answers }) => {
    const { sum, above23, above19 } = questionnaireSum(answers);
    if (above19 === null) return {};
    return { manySymptoms: { severity: above23 ? 3 : above19 ? 2 : 0, words: `${sum} of 64 in the questionnaire` } };
  },
};
