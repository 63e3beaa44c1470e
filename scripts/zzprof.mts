import { openedRegions } from '../src/core/sequence/gains';
import { drills } from '../src/core/catalogue/index';
import { figureOf, specOf } from '../src/core/body/index';
import { pictureFor } from '../src/parts/figures/body/picture';
import { eyeOf } from '../src/parts/figures/body/outline';
import { drawn, ghostPath } from '../src/parts/figures/body/draw';
const t = { fig: 0, pic: 0 };
const worst: [number, string][] = [];
for (let round = 0; round < 6; round += 1)
for (const drill of drills) for (const position of drill.positions) {
  const spec = { ...specOf(drill, position as never), week: undefined, breathsEach: (round + 3) as never };
  let a = performance.now(); const f = figureOf(spec); const d = performance.now() - a; t.fig += d; if (round===5) worst.push([d, drill.id+position]);
  a = performance.now(); pictureFor({ ...spec }, openedRegions(drill, 'left')); t.pic += performance.now() - a;
  void f;
}
console.log(t, worst.sort((a,b)=>b[0]-a[0]).slice(0,8));
