/** Colours of the page on a phone: those of the app, which a test holds side by side. */
export const phoneTokens = {
  light: {
    paper: 'oklch(97.4% 0.011 88)',
    leaf: 'oklch(95% 0.014 88)',
    rule: 'oklch(83% 0.018 82)',
    line: 'oklch(62% 0.02 255)',
    ink: 'oklch(26% 0.025 255)',
    ink2: 'oklch(44% 0.02 255)',
    onink: 'oklch(97.4% 0.011 88)',
    inhale: 'oklch(48% 0.085 208)',
    inhalew: 'oklch(90% 0.035 205)',
    exhale: 'oklch(52% 0.125 42)',
    exhalew: 'oklch(91% 0.04 55)',
    stop: 'oklch(47% 0.17 22)',
    onstop: 'oklch(98% 0.01 85)',
    body: 'oklch(43% 0.025 230)',
    bodyfar: 'oklch(55% 0.02 225)',
    leg: 'oklch(27% 0.025 250)',
    legfar: 'oklch(50% 0.02 235)',
    skin: 'oklch(76% 0.015 175)',
    skinfar: 'oklch(84% 0.013 160)',
    hand: 'oklch(82% 0.014 165)',
    hair: 'oklch(25% 0.02 255)',
    figureink: 'oklch(27% 0.02 250)',
    open: 'oklch(53% 0.095 205)',
    opencore: 'oklch(70% 0.105 195)',
    mat: 'oklch(93.5% 0.02 84)',
    wall: 'oklch(91% 0.022 84)',
    shade: 'oklch(88.5% 0.024 82)',
    wood: 'oklch(90% 0.028 84)',
    woodside: 'oklch(84% 0.035 82)',
    cushion: 'oklch(98.5% 0.006 88)',
    rubber: 'oklch(86% 0.045 68)',
    strap: 'oklch(75% 0.125 75)',
    metal: 'oklch(45% 0.03 250)',
  },
  dark: {
    paper: 'oklch(22% 0.014 250)',
    leaf: 'oklch(26% 0.016 250)',
    rule: 'oklch(40% 0.018 245)',
    line: 'oklch(58% 0.02 245)',
    ink: 'oklch(93% 0.012 85)',
    ink2: 'oklch(76% 0.015 85)',
    onink: 'oklch(22% 0.014 250)',
    inhale: 'oklch(74% 0.095 205)',
    inhalew: 'oklch(36% 0.05 210)',
    exhale: 'oklch(73% 0.12 48)',
    exhalew: 'oklch(36% 0.06 45)',
    stop: 'oklch(52% 0.19 22)',
    onstop: 'oklch(98% 0.01 85)',
    body: 'oklch(63% 0.025 230)',
    bodyfar: 'oklch(52% 0.022 230)',
    leg: 'oklch(79% 0.018 240)',
    legfar: 'oklch(60% 0.02 240)',
    skin: 'oklch(47% 0.018 190)',
    skinfar: 'oklch(38% 0.018 200)',
    hand: 'oklch(53% 0.018 185)',
    hair: 'oklch(85% 0.015 85)',
    figureink: 'oklch(90% 0.012 85)',
    open: 'oklch(80% 0.1 200)',
    opencore: 'oklch(58% 0.1 200)',
    mat: 'oklch(28% 0.016 250)',
    wall: 'oklch(31% 0.016 250)',
    shade: 'oklch(18% 0.014 250)',
    wood: 'oklch(37% 0.025 80)',
    woodside: 'oklch(32% 0.025 80)',
    cushion: 'oklch(33% 0.015 250)',
    rubber: 'oklch(46% 0.05 60)',
    strap: 'oklch(70% 0.12 75)',
    metal: 'oklch(72% 0.03 250)',
  },
} as const;

const tokensOf = (theme: keyof typeof phoneTokens) =>
  Object.entries(phoneTokens[theme])
    .map(([name, value]) => `--${name}:${value}`)
    .join(';');

/** The look of the page on a phone: paper and ink, one column, everything to be touched at least 48 px high. */
export const phoneStyle = `:root{${tokensOf('light')};color-scheme:light dark}
@media (prefers-color-scheme:dark){:root{${tokensOf('dark')}}}
*{box-sizing:border-box}
body{margin:0;background:var(--paper);color:var(--ink);font:18px/1.45 system-ui,sans-serif}
#page{max-width:30rem;margin:0 auto;padding:1rem 1.25rem 2rem;min-height:100dvh;display:flex;flex-direction:column}
h1{font-size:1.75rem;line-height:1.15;margin:.3rem 0 .4rem}
h1:focus{outline:none}
.hidden{position:absolute;width:1px;height:1px;overflow:hidden;clip-path:inset(50%)}
p{margin:.4rem 0}
.top{display:flex;justify-content:space-between;align-items:center;color:var(--ink2);font-size:.9rem;margin:0}
.soft{color:var(--ink2)}.small{font-size:.9rem}
.day{list-style:none;margin:1rem 0;padding:0}
.day li{display:grid;grid-template-columns:3.4rem 2.75rem 1fr;align-items:start;border-bottom:1px solid var(--rule);padding:.55rem 0}
.clock{font-variant-numeric:tabular-nums;color:var(--ink2);padding-top:.55rem}
.next .clock{color:var(--ink);font-weight:700}
.tick{display:grid;place-items:center;min-height:3rem}
.tick input{width:1.6rem;height:1.6rem;accent-color:var(--ink)}
.what{display:flex;flex-direction:column;padding-top:.4rem}
.what span{color:var(--ink2);font-size:.95rem}
.done strong{font-weight:400;color:var(--ink2)}
.passed .what span{font-style:italic}
.begin{display:flex;gap:1rem;align-items:center;margin-top:.5rem}
.begin svg{width:8rem;height:6rem;flex:none}
.begin button{flex:1}
.figure svg{display:block;width:100%;max-height:15rem}
button{font:inherit;font-weight:650;min-height:3.25rem;padding:.4rem 1rem;border:1.5px solid var(--line);border-radius:6px;background:none;color:var(--ink)}
button.strong{background:var(--ink);color:var(--onink);border-color:var(--ink)}
button.halt{background:var(--stop);color:var(--onstop);border-color:var(--stop)}
button.quiet{border:0;min-height:3rem;padding:0;text-align:left;font-weight:400;text-decoration:underline;text-underline-offset:4px}
button:disabled{color:var(--ink2);border-style:dashed}
button:focus-visible,input:focus-visible{outline:3px solid var(--ink);outline-offset:2px}
nav{display:flex;flex-wrap:wrap;gap:.75rem;margin-top:auto;padding-top:1rem}
nav button{flex:1 1 8rem}
.stop{border-left:5px solid var(--stop);padding-left:.75rem}
fieldset{border:1px solid var(--rule);border-radius:6px;margin:.6rem 0;padding:.4rem .9rem}
legend{font-weight:650;padding:0 .3rem}
.choice{display:inline-flex;align-items:center;gap:.4rem;min-height:3rem;margin-right:1.1rem}
.choice input{width:1.35rem;height:1.35rem;accent-color:var(--ink)}
.run{display:flex;gap:1.5rem;flex:1;min-height:min(34rem,64dvh);margin-top:1rem}
.channel{position:relative;width:8.25rem;flex:none;border:1.5px solid var(--line);border-radius:6px;overflow:hidden;background:var(--leaf)}
.water{position:absolute;inset:0;transform:translateY(calc((1 - var(--level,0)) * 100%));border-top:8px solid var(--ink)}
.water[data-phase=inhale]{background:var(--inhale);border-color:var(--inhale)}
.water[data-phase=exhale]{background:repeating-linear-gradient(45deg,var(--exhale) 0 8px,var(--exhalew) 8px 18px);border-color:var(--exhale)}
.water[data-phase=topPause],.water[data-phase=bottomPause]{background:var(--leaf);border-top-style:dotted}
.now p{margin:0}
.word{font-size:4.2rem;line-height:1.05;font-weight:700;min-height:4.6rem}
.word[data-phase=inhale]{color:var(--inhale)}.word[data-phase=exhale]{color:var(--exhale)}
.count{font-size:8.5rem;line-height:1;font-weight:700;font-variant-numeric:tabular-nums}
.place{font-size:1.7rem;font-weight:650;font-variant-numeric:tabular-nums}
.side{font-size:1.35rem;font-weight:650;min-height:2rem}
.cue{font-size:1.5rem;font-weight:650;margin-top:1.2rem!important}
.code{display:flex;flex-wrap:wrap;gap:.4rem 1.6rem;font:700 2rem/1.3 ui-monospace,monospace;border-block:1px solid var(--rule);padding:.8rem 0}
`;
