'use client';

import { useState } from 'react';
import {
  type LookPosition,
  type LookRecord,
  type Raw,
  baseMap,
  bestGrades,
  blindPairs,
  isOf,
  mapsByPosition,
  weightedKappa,
  testVerdict,
} from '@/core/look';
import { capital, commonPractice } from '@/core/reasons';
import {
  type Grade,
  type Grades,
  gradeAnchors,
  gradeWords,
  regionIds,
  regions,
  ringInWords,
  summariseRing,
} from '@/core/trunk';
import { Button } from '@/parts/Button';
import { ChoiceChips } from '@/parts/Chips';
import { ProvenanceMark } from '@/parts/Provenance';
import { Ring, RingLegend, type RingPart, gradeText } from '@/parts/figures/Ring';
import { say } from '@/parts/say';
import { type LookView } from '../view';
import { useAgain } from './again';
import { LookError } from './LookError';
import { allowedPositions, useLook } from './useLook';

const partName = (part: RingPart) => (part === 'neck' ? 'neck and shoulders' : regions[part].name);

/**
 * The ring as the way to enter what was seen, a map for each position; two maps can be laid over each other, and one can be
 * graded again blind.
 */
export function RegionMap({ view, moment = 'before' }: { view: LookView; moment?: LookRecord['moment'] }) {
  const looks = view.visit!.looks;
  const allowed = allowedPositions(view, 'regionMap');
  const first = moment === 'after' ? baseMap(looks, 'before') : null;
  const [position, setPosition] = useState<LookPosition>(
    () =>
      baseMap(looks, moment)?.raw.position ??
      first?.raw.position ??
      (view.remembered?.maps ?? []).map(({ raw }) => raw.position).find((before) => allowed.includes(before)) ??
      allowed[0] ??
      'sitting',
  );
  const again = useAgain();
  const [blindOf, setBlindOf] = useState<string | null>(() =>
    again ? (mapsByPosition(looks, moment).find((map) => map.position === position)?.record.id ?? null) : null,
  );
  const maps = mapsByPosition(looks, moment);
  const here = maps.find((map) => map.position === position)?.record ?? null;
  return (
    <div className="space-y-3">
      <div className="flex flex-wrap items-end gap-x-8 gap-y-2">
        <ChoiceChips
          label="Position: one map each"
          value={position}
          choices={[...new Set([...allowed, position])].map((value) => ({
            value,
            label: maps.some((map) => map.position === value) ? `${value} ✓` : value,
          }))}
          onChange={(next) => {
            setBlindOf(null);
            setPosition(next);
          }}
        />
        {blindOf === null && here && moment === 'before' && (
          <Button look="quiet" onClick={() => setBlindOf(here.id)}>
            Grade it again, blind
          </Button>
        )}
        {blindOf !== null && <Button onClick={() => setBlindOf(null)}>End the blind grading</Button>}
      </div>
      <MapOf
        key={`${position} ${blindOf ?? ''}`}
        view={view}
        moment={moment}
        position={position}
        record={blindOf === null ? here : blindRecord(looks, blindOf)}
        blindOf={blindOf}
        others={maps.filter((map) => map.position !== position)}
      />
      <Agreement looks={looks} />
    </div>
  );
}

function blindRecord(looks: readonly LookRecord[], blindOf: string): LookRecord<'regionMap'> | null {
  return (
    looks.find(
      (record): record is LookRecord<'regionMap'> => isOf(record, 'regionMap') && record.raw.blindOf === blindOf,
    ) ?? null
  );
}

/** How well the coach agrees with themself, once two gradings of the same map lie there. */
function Agreement({ looks }: { looks: readonly LookRecord[] }) {
  const kappa = weightedKappa(blindPairs(looks));
  if (kappa === null) return null;
  const words = kappa >= 0.8 ? 'very close' : kappa >= 0.6 ? 'close' : kappa >= 0.4 ? 'fair' : 'far apart';
  return (
    <p className="text-ink2" role="status">
      Your two gradings are {words}: weighted kappa {kappa.toFixed(2)}, 1 being the same throughout.
    </p>
  );
}

function MapOf({
  view,
  moment,
  position,
  record,
  blindOf,
  others,
}: {
  view: LookView;
  moment: LookRecord['moment'];
  position: LookPosition;
  record: LookRecord<'regionMap'> | null;
  blindOf: string | null;
  others: readonly { position: LookPosition; record: LookRecord<'regionMap'> }[];
}) {
  const { raw, save, error } = useLook(view, 'regionMap', {
    moment,
    pick: record,
    start: { position, ...(blindOf ? { blindOf } : {}) },
  });
  const [breath, setBreath] = useState<'quiet' | 'deep'>('quiet');
  const [over, setOver] = useState<LookPosition | 'none'>('none');
  const [selected, setSelected] = useState<RingPart>('belly');
  const [used, setUsed] = useState<{ part: RingPart; grade: Grade; first: boolean } | null>(null);
  // A part not graded yet gets the grade used last; a nought it got so is no end of the round, but its beginning.
  const tapped = (part: RingPart, grade: Grade): Grade | undefined => {
    if (grade === null && used && used.part !== part) return used.grade ?? undefined;
    return grade === 0 && used?.part === part && used.first ? 1 : undefined;
  };
  // Graded blind, nothing of an earlier map is shown.
  const lastTime =
    moment === 'before' && blindOf === null
      ? (view.remembered?.maps.find(({ raw: { position: there } }) => there === position)?.raw ?? null)
      : null;
  const deep = testVerdict(view.gates, ['deepBreath']);
  const other = others.find((map) => map.position === over)?.record ?? null;

  const neckKey = breath === 'quiet' ? 'neckQuiet' : 'neckDeep';
  const gradeOf = (part: RingPart): Grade => (part === 'neck' ? raw[neckKey] : raw[breath][part]);
  const setGrade = (part: RingPart, grade: Grade) => {
    setUsed({ part, grade, first: gradeOf(part) === null });
    save(part === 'neck' ? { ...raw, [neckKey]: grade } : { ...raw, [breath]: { ...raw[breath], [part]: grade } });
  };
  const shown: Grades = other ? bestGrades(raw) : raw[breath];

  return (
    <div className="grid gap-x-8 gap-y-4 md:grid-cols-2 xl:grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)]">
      <div>
        <div className="mx-auto max-w-[27rem]">
          {other ? (
            <Ring
              title={`${capital(position)} and ${over} over each other`}
              first={shown}
              second={bestGrades(other.raw)}
              names={[position, over]}
            />
          ) : (
            <Ring
              title={`Region map, ${breath} breath: tap a part, again for more`}
              first={raw.quiet}
              second={breath === 'deep' ? raw.deep : null}
              neck={raw[neckKey]}
              grading={breath === 'deep' ? 'second' : 'first'}
              onGrade={setGrade}
              selected={selected}
              onSelect={setSelected}
              before={lastTime?.[breath] ?? null}
              tapped={tapped}
            />
          )}
        </div>
        <RingLegend
          names={other ? [position, `more ${over}`] : breath === 'deep' ? ['quiet', 'deep adds'] : ['quiet']}
          lastTime={lastTime !== null}
        />
      </div>
      <div className="space-y-4">
        <div className="flex flex-wrap gap-6">
          <ChoiceChips
            label="Which breaths"
            value={breath}
            choices={[
              { value: 'quiet', label: 'Quiet' },
              ...(deep.allowed ? [{ value: 'deep' as const, label: 'Deep' }] : []),
            ]}
            onChange={setBreath}
          />
          {others.length > 0 && blindOf === null && (
            <ChoiceChips
              label="Lay over it"
              value={over}
              choices={[
                { value: 'none' as const, label: 'Nothing' },
                ...others.map((map) => ({ value: map.position, label: map.position })),
              ]}
              onChange={setOver}
            />
          )}
        </div>
        {!other && (
          <div>
            <ChoiceChips
              label={`${capital(partName(selected))}, ${breath}`}
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
        )}
        {!other && lastTime && (
          <AsLastTime
            last={lastTime}
            breath={breath}
            raw={raw}
            selected={selected}
            neckKey={neckKey}
            onPart={(grade) => setGrade(selected, grade)}
            onRest={save}
          />
        )}
        <ChoiceChips
          label="Does the front move by arching the spine?"
          value={raw.extension}
          choices={[
            { value: 'no', label: 'No' },
            { value: 'yes', label: 'Yes: extension' },
            { value: 'not observed', label: 'Not seen' },
          ]}
          onChange={(extension: Raw<'regionMap'>['extension']) => save({ ...raw, extension })}
        />
        <div className="border-t border-rule pt-3" aria-live="polite">
          <RingWords grades={shown} />
        </div>
        <LookError error={error} />
      </div>
    </div>
  );
}

/** What was seen last time, for one part or for all that are not graded yet: said of what is seen now, never filled in by itself. */
function AsLastTime({
  last,
  breath,
  raw,
  selected,
  neckKey,
  onPart,
  onRest,
}: {
  last: Raw<'regionMap'>;
  breath: 'quiet' | 'deep';
  raw: Raw<'regionMap'>;
  selected: RingPart;
  neckKey: 'neckQuiet' | 'neckDeep';
  onPart: (grade: Grade) => void;
  onRest: (raw: Raw<'regionMap'>) => void;
}) {
  const before = selected === 'neck' ? last[neckKey] : last[breath][selected];
  const open = regionIds.filter((id) => raw[breath][id] === null && last[breath][id] !== null);
  const neckOpen = raw[neckKey] === null && last[neckKey] !== null;
  const rest = () => {
    onRest({
      ...raw,
      [breath]: { ...raw[breath], ...Object.fromEntries(open.map((id) => [id, last[breath][id]])) },
      ...(neckOpen ? { [neckKey]: last[neckKey] } : {}),
    });
    say('The parts not graded yet are as last time.', () => onRest(raw));
  };
  return (
    <div className="flex flex-wrap gap-2">
      {before !== null && (
        <Button onClick={() => onPart(before)}>
          {capital(partName(selected))} as last time: {gradeText(before)}
        </Button>
      )}
      {open.length + (neckOpen ? 1 : 0) > 0 && (
        <Button onClick={rest}>
          The {open.length + (neckOpen ? 1 : 0) === regionIds.length + 1 ? 'whole' : 'rest'} as last time
        </Button>
      )}
    </div>
  );
}

/** What a ring says, in words and in its three figures. */
function RingWords({ grades }: { grades: Grades }) {
  const sentences = ringInWords(grades);
  const { biasDegrees, biasStrength, leftRightIndex, evenness } = summariseRing(grades);
  const figures = [
    ...(biasDegrees === null || biasStrength === null
      ? []
      : [`leans ${Math.round(biasDegrees)}° from the front, strength ${biasStrength.toFixed(2)}`]),
    ...(leftRightIndex === null ? [] : [`left–right ${leftRightIndex.toFixed(2)}`]),
    ...(evenness === null ? [] : [`evenness ${evenness.toFixed(2)}`]),
  ];
  return (
    <>
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
        {figures.length > 0 ? `${capital(figures.join(' · '))}. ` : 'Seen by eye and hand, graded 0 to 3. '}
        <ProvenanceMark provenance={commonPractice} />
      </p>
    </>
  );
}
