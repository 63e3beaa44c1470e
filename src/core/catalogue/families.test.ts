import { readFileSync, readdirSync } from 'node:fs';
import { drills, familyIds } from './index';

const folder = 'src/core/catalogue/drills';

test('whoever looks for a drill looks in the file of its family', () => {
  const files = readdirSync(folder).map((file) => file.replace('.ts', ''));
  expect(files.sort()).toEqual([...familyIds].sort());
  const found = files.flatMap((family) => {
    const text = readFileSync(`${folder}/${family}.ts`, 'utf8');
    return [...text.matchAll(/^    id: '([^']+)',[\s\S]*?^    family: '(\w+)',/gm)].map(([, id, own]) => [
      id,
      own,
      family,
    ]);
  });
  expect(found.filter(([, own, family]) => own !== family)).toEqual([]);
  expect(found.map(([id]) => id).sort()).toEqual(drills.map(({ id }) => id).sort());
});
