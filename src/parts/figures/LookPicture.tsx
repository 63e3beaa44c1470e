import { type FigureSpec, figureOf, frameAt } from '@/core/body';
import { type LookPictureId } from '@/core/look';
import { BodyFigure } from './body/BodyFigure';
import { eyeOf } from './body/outline';
import { pictureFor } from './body/picture';

/** What a small picture shows: figures side by side, each with a word under it, or levels with their names. */
interface LookPictureRow {
  title: string;
  figures: readonly { spec: FigureSpec; words?: string }[];
  levels?: readonly (readonly [height: number, words: string])[];
}

const tapeLevels = [
  [0.435, 'armpit'],
  [0.375, 'fourth space'],
  [0.29, 'xiphoid'],
  [0.15, 'waist'],
] as const;
const ribLevels = [
  [0.38, 'upper ribs'],
  [0.23, 'lower ribs'],
] as const;
const heights = (levels: readonly (readonly [number, string])[]) => levels.map(([height]) => height);

const pictures: Readonly<Record<LookPictureId, LookPictureRow>> = {
  tape: {
    title: 'Levels of the tape: armpit, fourth space, xiphoid, waist',
    figures: [{ spec: { position: 'standing', tapes: heights(tapeLevels) } }],
    levels: tapeLevels,
  },
  lines: {
    title: 'Two levels that hands feel: upper ribs and lower ribs',
    figures: [{ spec: { position: 'standing', tapes: heights(ribLevels) } }],
    levels: ribLevels,
  },
  hands: {
    title: 'One hand on the breastbone, one over the navel',
    figures: [{ spec: { position: 'sitting', hands: 'breastbone and navel' } }],
  },
  fingers: {
    title: 'Hands wrapped round the lower ribs, fingers in front, a gap between them',
    figures: [{ spec: { position: 'sitting', hands: 'round the lower ribs' } }],
  },
  sideBend: {
    title: 'Bending away; the hand lies on the side that opens',
    figures: [{ spec: { position: 'sitting', movement: 'sideBend', hands: 'open side' } }],
  },
  posture: {
    title: 'Arched, between, slouched, from the side',
    figures: [
      { spec: { position: 'sitting', posture: 'arched' }, words: 'arched' },
      { spec: { position: 'sitting', movement: 'pelvicRock' }, words: 'between' },
      { spec: { position: 'sitting', posture: 'slouched' }, words: 'slouched' },
    ],
  },
  march: {
    title: 'On the back, knees bent; one foot lifts 8 to 10 centimetres on the exhale',
    figures: [{ spec: { position: 'hook-lying', movement: 'march', hands: 'hip bones' } }],
  },
  rock: {
    title: 'On the back, knees bent; the pelvis rocks',
    figures: [{ spec: { position: 'hook-lying', movement: 'pelvicRock' } }],
  },
};

/** A small picture that helps a set-up, with the same figure as everywhere. */
export function LookPicture({ picture, className = '' }: { picture: LookPictureId; className?: string }) {
  const { title, figures, levels = [] } = pictures[picture];
  return (
    <figure role="img" aria-label={title} className={`flex gap-2 ${className}`}>
      {figures.map(({ spec, words }) => (
        <div key={words ?? 'one'} className="h-full text-center">
          <BodyFigure
            spec={spec}
            className={words ? 'h-[85%] w-28' : 'h-full w-auto'}
            room={levels.length > 0 ? 36 : 0}
          >
            <Levels spec={spec} levels={levels} />
          </BodyFigure>
          {words && <span className="text-sm leading-none">{words}</span>}
        </div>
      ))}
    </figure>
  );
}

/** Names of levels beside the trunk, each on its own line. */
function Levels({ spec, levels }: { spec: FigureSpec; levels: NonNullable<LookPictureRow['levels']> }) {
  if (levels.length === 0) return null;
  const { body, camera } = figureOf(spec);
  const eye = eyeOf(camera);
  const { frame } = pictureFor(spec);
  return levels.map(([height, words]) => {
    const [x, y] = eye.see(frameAt(body.spine, height).at);
    return (
      <g key={words}>
        <path
          d={`M${x + 17} ${y}H${frame.x + frame.width - 5}`}
          stroke="var(--strap)"
          strokeWidth="0.8"
          strokeDasharray="2 1.5"
        />
        <text x={frame.x + frame.width - 3} y={y + 2.2} fontSize="6.6" fill="var(--ink)">
          {words}
        </text>
      </g>
    );
  });
}
