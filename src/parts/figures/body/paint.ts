import { type Tone } from './shapes';

/** What a figure is painted with. */
export interface Paint {
  fills: Readonly<Record<Tone, string>>;
  paper: string;
  ink: string;
  /** Nothing is told by colour: every part has an ink edge, and what opens is light and dotted. */
  lines: boolean;
}

/** Colours of the screen, which follow its theme. */
const screen: Paint = {
  fills: {
    floor: 'var(--mat)',
    wall: 'var(--wall)',
    wood: 'var(--wood)',
    woodSide: 'var(--woodside)',
    soft: 'var(--cushion)',
    band: 'var(--strap)',
    rubber: 'var(--rubber)',
    metal: 'var(--metal)',
    air: 'var(--rubber)',
    shadow: 'var(--shade)',
    leg: 'var(--leg)',
    legFar: 'var(--legfar)',
    trunk: 'var(--body)',
    trunkFar: 'var(--bodyfar)',
    skin: 'var(--skin)',
    skinFar: 'var(--skinfar)',
    hand: 'var(--hand)',
    hair: 'var(--hair)',
    tint: 'var(--open)',
    core: 'var(--opencore)',
    fine: 'var(--figureink)',
  },
  paper: 'var(--paper)',
  ink: 'var(--figureink)',
  lines: false,
};

/** One ink on white paper: greys far enough apart for a poor printer, and never the only sign. */
const print: Paint = {
  fills: {
    floor: '#ffffff',
    wall: '#f2f2f2',
    wood: '#ffffff',
    woodSide: '#e6e6e6',
    soft: '#ffffff',
    band: '#000000',
    rubber: '#ffffff',
    metal: '#333333',
    air: '#ffffff',
    shadow: '#e2e2e2',
    leg: '#4d4d4d',
    legFar: '#a8a8a8',
    trunk: '#8c8c8c',
    trunkFar: '#b4b4b4',
    skin: '#ededed',
    skinFar: '#ffffff',
    hand: '#ffffff',
    hair: '#000000',
    tint: '#ffffff',
    core: '#000000',
    fine: '#000000',
  },
  paper: '#ffffff',
  ink: '#000000',
  lines: true,
};

/** As little ink as a figure can be told with: white parts, black edges. */
const lowInk: Paint = {
  ...print,
  fills: {
    ...print.fills,
    wall: '#ffffff',
    woodSide: '#ffffff',
    metal: '#ffffff',
    shadow: '#ffffff',
    leg: '#ffffff',
    legFar: '#ffffff',
    trunk: '#ffffff',
    trunkFar: '#ffffff',
    skin: '#ffffff',
  },
};

export const paints = { screen, print, lowInk } as const;
export type PaintId = keyof typeof paints;
