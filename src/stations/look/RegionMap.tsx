'use client';

import { useState } from 'react';
import { type LookRecord, type Raw } from '@/core/look';
import { type VisitRecord } from '@/core/record';
import { commonPractice } from '@/core/reasons';
import { type Grade, gradeAnchors, gradeWords, regions, ringInWords, unobserved } from '@/core/trunk';
import { ChoiceChips } from '@/parts/Chips';
import { ProvenanceMark } from '@/parts/Provenance';
import { Ring, RingLegend, type RingPart } from '@/parts/figures/Ring';
import { PositionChips } from './PositionChips';
import { useLook } from './useLook';

const blank: Raw<'regionMap'> = {
  position: 'hook-lying',
  quiet: unobserved(),
  deep: unobserved(),
  neckQuiet: null,
  neckDeep: null,
};

const partName = (part: RingPart) => (part === 'neck' ? 'neck and shoulders' : regions[part].name);

/** The ring as the way to enter what was seen: tap a part, again for more; or choose the part and a grade. */
export function RegionMap({ visit, moment = 'before' }: { visit: VisitRecord; moment?: LookRecord['moment'] }) {
  const [start] = useState<Raw<'regionMap'>>(() => startFrom(visit, moment));
  const { raw, save, error } = useLook(visit, 'regionMap', moment, start);
  const [breath, setBreath] = useState<'quiet' | 'deep'>('quiet');
  const [selected, setSelected] = useState<RingPart>('belly');

  const neckKey = breath === 'quiet' ? 'neckQuiet' : 'neckDeep';
  const gradeOf = (part: RingPart): Grade => (part === 'neck' ? raw[neckKey] : raw[breath][part]);
  const setGrade = (part: RingPart, grade: Grade) =>
    save(part === 'neck' ? { ...raw, [neckKey]: grade } : { ...raw, [breath]: { ...raw[breath], [part]: grade } });
  const sentences = ringInWords(raw[breath]);

  return (
    <div className="grid gap-x-8 gap-y-4 md:grid-cols-2 xl:grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)]">
      <div>
        <div className="mx-auto -mt-3 max-w-[29rem]">
          <Ring
            title={`Region map, ${breath} breath: tap a part, again for more`}
            first={raw.quiet}
            second={breath === 'deep' ? raw.deep : null}
            neck={raw[neckKey]}
            grading={breath === 'deep' ? 'second' : 'first'}
            onGrade={setGrade}
            selected={selected}
            onSelect={setSelected}
          />
        </div>
        <RingLegend names={breath === 'deep' ? ['quiet', 'deep adds'] : ['quiet']} />
      </div>
      <div className="space-y-5">
        <ChoiceChips
          label="Which breaths"
          value={breath}
          choices={[
            { value: 'quiet', label: 'Quiet' },
            { value: 'deep', label: 'Deep' },
          ]}
          onChange={setBreath}
        />
        <div>
          <ChoiceChips
            label={`${partName(selected).charAt(0).toUpperCase()}${partName(selected).slice(1)}, ${breath}`}
            value={gradeOf(selected) === null ? 'x' : (String(gradeOf(selected)) as '0')}
            choices={[
              ...([0, 1, 2, 3] as const).map((grade) => ({ value: String(grade) as '0', label: gradeWords[grade] })),
              { value: 'x' as const, label: 'not seen' },
            ]}
            onChange={(next: '0' | 'x') => setGrade(selected, next === 'x' ? null : Number(next))}
          />
          <p className="mt-1 min-h-6 text-sm text-ink2">
            {selected === 'neck'
              ? 'Effort of neck and shoulders on the inhale, scored apart.'
              : gradeOf(selected) === null
                ? 'Not observed is not the same as none.'
                : gradeAnchors[gradeOf(selected) as 0]}
          </p>
        </div>
        <PositionChips value={raw.position} onChange={(position) => save({ ...raw, position })} />
        <div className="border-t border-rule pt-3" aria-live="polite">
          {sentences.length === 0 ? (
            <p className="text-ink2">Nothing graded yet. Left and right are the client’s own.</p>
          ) : (
            sentences.map((sentence) => (
              <p key={sentence} className="text-lg leading-snug">
                {sentence}
              </p>
            ))
          )}
          <p className="mt-2 text-sm text-ink2">
            Seen by eye and hand, graded 0 to 3. <ProvenanceMark provenance={commonPractice} />
          </p>
        </div>
        {error && (
          <p role="alert" className="font-semibold">
            {error}
          </p>
        )}
      </div>
    </div>
  );
}

/** A recheck starts in the position of the first map, with nothing graded. */
function startFrom(visit: VisitRecord, moment: LookRecord['moment']): Raw<'regionMap'> {
  const first = visit.looks.filter((look) => look.protocol === 'regionMap' && look.moment === 'before').at(-1);
  return moment === 'after' && first ? { ...blank, position: first.raw.position } : blank;
}
