'use client';

import { useState } from 'react';
import { type Raw, twoLine, twoLineProvenance, testVerdict } from '@/core/look';
import { ChoiceChips } from '@/parts/Chips';
import { ProvenanceMark } from '@/parts/Provenance';
import { Slider } from '@/parts/Slider';
import { HalfCircle } from '@/parts/figures/HalfCircle';
import { type LookView } from '../view';
import { LookError } from '../taking/LookError';
import { useLook } from '../taking/useLook';

const lineRows = [
  ['upperDegrees', 'Upper ribs, degrees'],
  ['lowerDegrees', 'Lower ribs, degrees'],
] as const;

/** Two lines on a half circle: what the hands felt the upper and the lower ribs do. */
export function TwoLine({ view }: { view: LookView }) {
  const { raw, save, error } = useLook(view, 'twoLine');
  const [breath, setBreath] = useState<'quiet' | 'deep'>('quiet');
  const deepAllowed = testVerdict(view.gates, ['deepBreath']).allowed;
  const lines = raw[breath];
  const change = (next: Partial<Raw<'twoLine'>['quiet']>) => save({ ...raw, [breath]: { ...lines, ...next } });
  const { upperDegrees, lowerDegrees } = lines;
  const drawn = upperDegrees !== null && lowerDegrees !== null && upperDegrees + lowerDegrees > 0;
  const result = drawn ? twoLine(upperDegrees, lowerDegrees) : null;
  return (
    <div className="grid gap-8 md:grid-cols-2">
      <HalfCircle upperDegrees={upperDegrees} lowerDegrees={lowerDegrees} onChange={change} />
      <div className="space-y-5">
        {deepAllowed && (
          <ChoiceChips
            label="Which breaths"
            value={breath}
            choices={[
              { value: 'quiet', label: 'Quiet' },
              { value: 'deep', label: 'Deep' },
            ]}
            onChange={setBreath}
          />
        )}
        {lineRows.map(([key, label]) => (
          <Slider
            key={key}
            label={label}
            value={lines[key]}
            min={0}
            max={90}
            step={5}
            low="still"
            high="all"
            onChange={(value) => change({ [key]: value })}
          />
        ))}
        <p role="status" className="text-lg">
          {result
            ? `Upper ribs ${result.percentRibCage.toFixed(0)} % of the motion; balance ${result.balanceDegrees.toFixed(0)}°; area ${result.areaDegrees.toFixed(0)}°.`
            : 'Draw both lines. Equal ones give a balance of 0 and 50 %.'}{' '}
          <ProvenanceMark provenance={twoLineProvenance} />
        </p>
        <LookError error={error} />
      </div>
    </div>
  );
}
