import { type ReactNode } from 'react';
import { type LookPictureId } from '@/core/look';

const torso =
  'M70 6 L70 22 C64 32 44 34 32 42 C25 47 25 58 32 70 C37 84 40 100 44 116 C46 128 44 140 38 156 C36 166 37 180 39 194 ' +
  'L121 194 C123 180 124 166 122 156 C116 140 114 128 116 116 C120 100 123 84 128 70 C135 58 135 47 128 42 C116 34 96 32 90 22 L90 6';

const line = { fill: 'none', stroke: 'var(--ink)', strokeWidth: 2, strokeLinecap: 'round' as const };
const tint = { fill: 'var(--inhalew)', stroke: 'var(--inhale)', strokeWidth: 2 };

function Torso({ children }: { children?: ReactNode }) {
  return (
    <>
      <path d={torso} {...line} fill="var(--paper)" />
      <path d="M58 92 C66 80 74 76 80 76 C86 76 94 80 102 92" {...line} strokeWidth={1.2} strokeDasharray="3 3" />
      <circle cx="80" cy="134" r="2" fill="var(--ink)" />
      {children}
    </>
  );
}

/** A hand laid on, fingers toward the middle. */
const hand = (x: number, y: number, turn: number, key?: string) => (
  <g key={key} transform={`translate(${x} ${y}) rotate(${turn})`}>
    <path d="M-22 -9 C-8 -13 8 -13 22 -8 C26 -6 26 -2 22 -1 L24 3 C24 7 20 8 16 7 C2 12 -12 11 -22 9 Z" {...tint} />
    <path d="M4 -4 L22 -5 M4 1 L23 1 M3 5 L17 6" {...line} strokeWidth={1} stroke="var(--inhale)" />
  </g>
);

const labelled = (y: number, from: number, to: number, words: string) => (
  <g key={words}>
    <line x1={from} x2={to} y1={y} y2={y} stroke="var(--inhale)" strokeWidth="2.5" strokeDasharray="6 3" />
    <text x="140" y={y + 6} fontSize="19" fill="var(--ink)">
      {words}
    </text>
  </g>
);

/** A trunk from the side by the curve of its back: front to the right. */
const sideTrunk = (x: number, spine: string, front: string, words: string) => (
  <g key={words} transform={`translate(${x} 0)`}>
    <circle cx="36" cy="22" r="12" {...line} fill="var(--paper)" />
    <path d={spine} {...line} strokeWidth={3} />
    <path d={front} {...line} strokeWidth={1.4} />
    <path d="M30 146 L66 146 L68 186" {...line} />
    <path d="M14 152 H52" {...line} stroke="var(--rule)" strokeWidth={4} />
    <text x="40" y="206" textAnchor="middle" fontSize="17" fill="var(--ink)">
      {words}
    </text>
  </g>
);

const pictures: Record<LookPictureId, { box: string; title: string; body: ReactNode }> = {
  tape: {
    box: '0 0 270 200',
    title: 'Levels of the tape: armpit, fourth space, xiphoid, waist',
    body: (
      <Torso>
        {labelled(52, 28, 132, 'armpit')}
        {labelled(74, 33, 127, 'fourth space')}
        {labelled(96, 39, 121, 'xiphoid')}
        {labelled(122, 45, 115, 'waist')}
      </Torso>
    ),
  },
  hands: {
    box: '0 0 160 200',
    title: 'One hand on the breastbone, one over the navel',
    body: (
      <Torso>
        {hand(72, 60, 14)}
        {hand(88, 134, 186)}
      </Torso>
    ),
  },
  fingers: {
    box: '0 0 160 200',
    title: 'Hands wrapped round the lower ribs, fingers in front, a gap between them',
    body: (
      <Torso>
        {hand(48, 102, 8)}
        {hand(112, 104, 172)}
        <path d="M73 122 H87 M73 118 v8 M87 118 v8" {...line} />
        <text x="80" y="174" textAnchor="middle" fontSize="18" fill="var(--ink)">
          the gap
        </text>
      </Torso>
    ),
  },
  sideBend: {
    box: '0 0 200 200',
    title: 'Bending away; the hand lies on the side that opens',
    body: (
      <g transform="translate(14 4)">
        <path
          d="M118 20 L112 34 C102 40 84 34 72 36 C64 38 58 46 60 58 C60 74 50 96 48 116 C47 130 44 142 38 156 C36 166 37 180 39 190 L121 190 C123 180 124 166 122 156 C117 142 116 130 120 118 C126 104 140 92 150 82 C158 72 158 62 150 56 C142 50 134 46 132 42 L138 28"
          {...line}
          fill="var(--paper)"
        />
        <path d="M60 62 C59 78 50 98 48 118" {...line} stroke="var(--inhale)" strokeWidth={5} />
        {hand(44, 96, 285)}
        <path d="M30 70 C24 82 20 96 20 108 M20 108 l-5 -8 M20 108 l6 -7" {...line} stroke="var(--inhale)" />
        <path d="M100 14 C120 2 148 6 164 24 M164 24 l-10 -1 M164 24 l0 -10" {...line} />
      </g>
    ),
  },
  posture: {
    box: '0 0 270 210',
    title: 'Arched, between, slouched, from the side',
    body: (
      <>
        {sideTrunk(
          0,
          'M32 36 C22 56 20 70 32 92 C42 108 40 126 24 146',
          'M44 34 C62 54 70 76 64 96 C60 112 54 130 56 146',
          'arched',
        )}
        {sideTrunk(
          95,
          'M32 36 C22 56 24 76 28 96 C31 114 28 130 26 146',
          'M44 34 C56 56 60 78 58 98 C57 116 56 132 56 146',
          'between',
        )}
        {sideTrunk(
          190,
          'M34 34 C14 50 8 76 14 104 C18 124 22 138 30 146',
          'M46 34 C46 56 44 76 46 96 C48 116 52 134 56 146',
          'slouched',
        )}
      </>
    ),
  },
  march: {
    box: '0 0 320 150',
    title: 'On the back, knees bent; one foot lifts 8 to 10 centimetres on the exhale',
    body: (
      <>
        <line x1="8" x2="292" y1="128" y2="128" stroke="var(--rule)" strokeWidth="4" />
        <circle cx="34" cy="112" r="14" {...line} fill="var(--paper)" />
        <path
          d="M50 108 C70 98 96 96 120 98 C142 98 152 102 160 108 C164 116 160 124 150 126 L56 126 C48 124 46 114 50 108 Z"
          {...line}
          fill="var(--paper)"
        />
        <path d="M156 112 L206 62 L236 124 L252 125" {...line} strokeWidth={9} stroke="var(--rule)" />
        <path d="M154 108 L192 48 L226 98 L242 96" {...line} strokeWidth={9} stroke="var(--inhale)" />
        <path d="M262 124 V100 M262 100 l-5 8 M262 100 l5 8" {...line} />
        <text x="278" y="96" textAnchor="middle" fontSize="17" fill="var(--ink)">
          8–10 cm
        </text>
        {hand(140, 94, 170)}
      </>
    ),
  },
};

/** A small picture that helps a set-up. */
export function LookPicture({ picture, className }: { picture: LookPictureId; className?: string }) {
  const { box, title, body } = pictures[picture];
  return (
    <svg viewBox={box} role="img" aria-label={title} className={className}>
      {body}
    </svg>
  );
}
