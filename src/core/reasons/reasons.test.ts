import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { commonPractice, provenanceSentence, published, references, setByYou } from '.';
import { gateTable } from '../safety';
import { patterns } from '../read';
import { holdBandProvenance, rateBandProvenance } from '../look';
import { met } from '../../../scripts/met';

test('each provenance says in one sentence where a value comes from', () => {
  expect(provenanceSentence(commonPractice)).toBe('Common practice: a working rule of the trade, no published source.');
  expect(provenanceSentence(setByYou)).toBe('Set by you.');
  expect(provenanceSentence(published('R1'))).toMatch(/^Published: Royal College of Physicians.*2017/);
});

test('a value that could not be checked against its paper says so', () => {
  for (const [id, { fromMemory }] of Object.entries(references)) {
    const sentence = provenanceSentence(published(id as keyof typeof references));
    expect(sentence.includes('Value from memory')).toBe(fromMemory);
  }
});

test('what a comment cites is listed, and what is listed is cited', () => {
  const files = readdirSync('src', { recursive: true, encoding: 'utf8' }).filter((file) => /\.tsx?$/.test(file));
  const texts = files
    .filter((file) => !file.endsWith('references.ts'))
    .map((file) => readFileSync(join('src', file), 'utf8'));
  const cited = new Set(texts.flatMap((text) => text.match(/\bR\d+\b(?=\]|')/g) ?? []));
  expect([...cited].sort()).toEqual(Object.keys(references).sort());
});

test('rules that cite a source cite one that is listed; the rest are the trade’s own', () => {
  const cited = [...gateTable.map(({ provenance }) => provenance), ...patterns.map(({ provenance }) => provenance)];
  for (const provenance of [...cited, rateBandProvenance, holdBandProvenance]) {
    const [source] = provenance.kind === 'published' ? [provenance.reference] : [];
    if (met(source)) expect(Object.keys(references)).toContain(source);
    if (met(!source)) expect(provenance.kind).toBe('common practice');
  }
  expect(rateBandProvenance).toEqual(published('R1'));
  // The bands of the hold are contested: they must never look published.
  expect(holdBandProvenance).toEqual(commonPractice);
});
