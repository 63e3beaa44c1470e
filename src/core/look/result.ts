import { type Provenance, commonPractice } from '../reasons';
import { ringInWords } from '../trunk';
import { photoFigureOrNull, photoInWords, photoMeasures } from './angles';
import { calmHold, holdBandProvenance } from './calmHold';
import { excursionOf, expansionBand, expansionProvenance, lengthInWords } from './girth';
import { markerMeasures } from './markers';
import { bestPosture, postureNames, tiltNames } from './posture';
import { questionnaireProvenance, questionnaireSum } from './questionnaire';
import { rateBand, rateBandProvenance, rateOf } from './quietRate';
import { type LookRecord, bestGrades, isOf } from './records';
import { type ProtocolId, type Raw, tapeLevels } from './rawSchemas';
import { leaksWithEffort } from './seenCautions';
import { twoLine, twoLineProvenance } from './twoLine';

/** A result in one short sentence, with where its edges come from. */
export interface LookResult {
  words: string;
  provenance: Provenance;
}

type Teller<P extends ProtocolId> = (raw: Raw<P>) => string | LookResult | null;

const bandWords = (rate: number) => `${rate.toFixed(1)} a minute, ${rateBand(rate).words}`;
const giveOrTake = (spread: number | null, unit: 'cm' | 'in') =>
  spread === null ? '' : `, give or take ${lengthInWords(spread, unit)}`;

/** Names of the levels of the tape. */
const levelNames = { armpit: 'armpit', fourth: 'fourth space', xiphoid: 'xiphoid', waist: 'waist' } as const;

const softensInWords = { yes: 'softens', no: 'does not soften', 'can’t feel': 'can’t be felt' } as const;

const tellers: { [P in ProtocolId]: Teller<P> } = {
  quietLook: ({ taps }) => {
    const rate = rateOf(taps);
    return rate && { words: bandWords(rate.breathsPerMinute), provenance: rateBandProvenance };
  },
  twoHands: ({ leads, bellyDrawsIn }) =>
    bellyDrawsIn === 'yes'
      ? 'the belly draws in'
      : leads === 'not observed'
        ? null
        : leads === 'together'
          ? 'both hands together'
          : `the ${leads} hand leads`,
  frontOn: (raw) => {
    const ordinary = raw.shoulders === 'yes' || raw.upperOnly === 'yes';
    const deep = raw.shouldersDeep === 'yes' || raw.upperOnlyDeep === 'yes' || raw.neckCordsDeep === 'yes';
    const looked = [raw.shoulders, raw.upperOnly, raw.shouldersDeep].some((answer) => answer !== 'not observed');
    if (!looked) return null;
    return ordinary ? 'the upper chest works at rest' : deep ? 'fine at rest, lifts on deep breaths' : 'free at both';
  },
  regionMap: (raw) => ringInWords(bestGrades(raw))[0]?.replace(/\.$/, '') ?? null,
  tape: ({ levels, paradoxical, unit }) => {
    const level = levels.fourth ? 'fourth' : tapeLevels.find((id) => levels[id]);
    const excursion = level && excursionOf(levels[level] ?? [], paradoxical.includes(level));
    if (!level || !excursion || excursion.goes === 0) return null;
    const words = `${levelNames[level]} ${lengthInWords(excursion.meanCm, unit)}${giveOrTake(excursion.spreadCm, unit)}`;
    return level === 'fourth'
      ? { words: `${words}: ${expansionBand(excursion.meanCm)}`, provenance: expansionProvenance }
      : words;
  },
  twoLine: ({ quiet, deep }) => {
    const drawn = [quiet, deep].find(
      ({ upperDegrees, lowerDegrees }) =>
        upperDegrees !== null && lowerDegrees !== null && upperDegrees + lowerDegrees > 0,
    );
    if (!drawn) return null;
    const { percentRibCage, balanceDegrees } = twoLine(drawn.upperDegrees!, drawn.lowerDegrees!);
    return {
      words: `upper ribs ${percentRibCage.toFixed(0)} %, balance ${balanceDegrees.toFixed(0)}°`,
      provenance: twoLineProvenance,
    };
  },
  fingerGap: ({ goes, unit }) => {
    const excursion = excursionOf(goes);
    return !excursion || excursion.goes === 0
      ? null
      : `opens ${lengthInWords(excursion.meanCm, unit)}${giveOrTake(excursion.spreadCm, unit)}`;
  },
  sideBend: ({ left, right }) =>
    left === null && right === null ? null : `left ${left ?? '–'}, right ${right ?? '–'}`,
  postureSearch: ({ depth }) => {
    const { best } = bestPosture(depth);
    const words = Object.entries(best).map(([position, { tilt, depth: value }]) => {
      const name = postureNames[position as 'sitting'].toLowerCase();
      return position === 'lying' ? `${name} ${value}` : `${name} ${value}, ${tiltNames[tilt].toLowerCase()}`;
    });
    return words.length === 0 ? null : words.join('; ');
  },
  stack: ({ flareExhale, flareRest, thorax, photos }) => {
    const measured = photos.flatMap((photo) => {
      const figure = photoFigureOrNull(photo);
      return figure === null ? [] : [`${photoMeasures[photo.measure].name} ${photoInWords(photo.measure, figure)}`];
    });
    const flare = flareExhale ?? flareRest;
    const words = [
      ...(flare === null ? [] : [flare === 0 ? 'no flare' : flareExhale === null ? 'flare at rest' : 'flare stays']),
      ...(thorax === 'not observed' ? [] : [`thorax ${thorax === 'over' ? 'over the pelvis' : thorax}`]),
      ...measured,
    ];
    return words.length === 0 ? null : words.join('; ');
  },
  exhale: ({ seconds, sound, ribsDown }) => {
    const words = [
      ...(seconds.length === 0 ? [] : [`${median(seconds).toFixed(1)} s`]),
      ...(sound === 'not observed' ? [] : [sound]),
      ...(ribsDown === 'no' ? ['ribs stay up'] : []),
    ];
    return words.length === 0 ? null : words.join(', ');
  },
  wallOrder: ({ first, lowerBalloons, marchLeft, marchRight }) => {
    const faults = [...(marchLeft ?? []), ...(marchRight ?? [])].length;
    if (first === 'not observed' && marchLeft === null && marchRight === null) return null;
    const order = first === 'not observed' ? '' : `${first} first`;
    const rest = lowerBalloons === 'yes' ? 'lower belly balloons' : faults > 0 ? 'march unsteady' : '';
    return [order, rest].filter(Boolean).join(', ') || 'march steady';
  },
  floor: ({ softens, leaks, leaksWith, pain }) => {
    const words = [
      ...(softens === 'not observed' ? [] : [softensInWords[softens]]),
      ...(leaks === 'yes' ? [leaksWithEffort({ leaks, leaksWith }) ? 'leaks' : 'leaks on the way'] : []),
      ...(pain === 'yes' ? ['pain'] : []),
    ];
    return words.length === 0 ? null : words.join(', ');
  },
  pelvicRock: ({ nods, stuckAt }) =>
    nods === 'not observed'
      ? null
      : nods === 'yes'
        ? 'the head nods'
        : `no nod${stuckAt === 'not observed' ? '' : `, stuck at the ${stuckAt}`}`,
  calmHold: ({ tries }) => {
    if (tries.length === 0) return null;
    const { seconds, steps, band } = calmHold(tries);
    const walked = steps === null ? '' : `${Math.round(steps)} steps, `;
    const words = seconds === null ? 'no calm try' : `${walked}${Math.round(seconds)} s, ${band!.words}`;
    return { words, provenance: holdBandProvenance };
  },
  tenCount: ({ result }) => (result === 'not observed' ? null : result),
  questionnaire: ({ answers }) => {
    const { sum, answered, above23, above19 } = questionnaireSum(answers);
    if (answered === 0) return null;
    const said = above23 ? 'above 23' : above19 ? 'above 19' : answered < 16 ? `${answered} of 16 asked` : 'below 20';
    return { words: `${sum} of 64, ${said}`, provenance: questionnaireProvenance };
  },
  marker: ({ measure, readings }) => {
    if (readings.length === 0) return null;
    const { name, unit } = markerMeasures[measure];
    return `${name} ${(readings.reduce((sum, value) => sum + value, 0) / readings.length).toFixed(1)} ${unit}`;
  },
};

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}

/**
 * What a look gave, in a few words; null while nothing that counts was entered.
 *
 * @example lookResult(record)?.words // '14.2 a minute, usual'
 */
export function lookResult(record: LookRecord): LookResult | null {
  for (const protocol of Object.keys(tellers) as ProtocolId[]) {
    if (!isOf(record, protocol)) continue;
    const told = (tellers[protocol] as Teller<typeof protocol>)(record.raw as Raw<typeof protocol>);
    return typeof told === 'string' ? { words: told, provenance: commonPractice } : told;
  }
  return null;
}
