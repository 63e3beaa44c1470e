import { type PropId } from '@/core/catalogue';
import { type Figure, type Point, along, inTrunk } from './pose';
import { type Thing, weightIn } from './poses';

const round = ([x, y]: Point, radius: number, layer: Thing['layer'], kind: Thing['kind'] = 'prop'): Thing => ({
  kind,
  layer,
  closed: true,
  smooth: true,
  points: Array.from({ length: 12 }, (_, i): Point => [
    x + radius * Math.cos((Math.PI * i) / 6),
    y + radius * Math.sin((Math.PI * i) / 6),
  ]),
});

/** Between the knees: seen behind the near leg, in front of the far one. */
const kneesAt = ({ near, far }: Figure): Point => [
  (near.leg.middle[0] + far.leg.middle[0]) / 2 + 1.2,
  (near.leg.middle[1] + far.leg.middle[1]) / 2 + 1.6,
];

const mouth = ({ headCentre, headTurn }: Figure): Point => along(along(headCentre, headTurn, -3), headTurn - 90, 4.6);

/** A band across the trunk, a little wider than the skin. */
function roundTrunk(figure: Figure, at: number, width: number): Thing {
  return {
    kind: 'prop',
    layer: 'front',
    closed: true,
    points: [
      inTrunk(figure, at - width, 1.06),
      inTrunk(figure, at + width, 1.06),
      inTrunk(figure, at + width, -1.06),
      inTrunk(figure, at - width, -1.06),
    ],
  };
}

/** How each prop is drawn with a figure; those that belong to the position, like a wall or a chair, are drawn with it. */
const table: Readonly<Partial<Record<PropId, (figure: Figure) => Thing[]>>> = {
  ball: (figure) => [round(kneesAt(figure), 5.2, 'between')],
  block: (figure) => {
    const [x, y] = kneesAt(figure);
    return [
      {
        kind: 'prop',
        layer: 'between',
        closed: true,
        points: [
          [x - 4.4, y - 2.8],
          [x + 5, y - 2.8],
          [x + 5, y + 4],
          [x - 4.4, y + 4],
        ],
      },
    ];
  },
  band: (figure) => [roundTrunk(figure, 0.6, 0.055)],
  // Lying, a towel is under the waist or the head; only upright it goes round the ribs.
  towel: (figure) => (Math.abs(figure.spine[2] - 90) < 60 ? [roundTrunk(figure, 0.58, 0.07)] : []),
  straw: (figure) => {
    const from = mouth(figure);
    return [
      { kind: 'furniture', layer: 'front', closed: false, points: [from, along(from, figure.headTurn - 100, 7)] },
    ];
  },
  balloon: (figure) => {
    const from = mouth(figure);
    return [round(along(from, figure.headTurn - 95, 5.4), 4.6, 'front')];
  },
  twinBalls: (figure) => [round(inTrunk(figure, 0.84, -1.3), 2.2, 'behind', 'soft')],
  weight: (figure) => weightIn(figure.near.arm.tip),
  bottle: (figure) => weightIn(figure.near.arm.tip),
};

export const propThings = (props: readonly PropId[], figure: Figure): Thing[] =>
  props.flatMap((prop) => table[prop]?.(figure) ?? []);
