'use client';

import { useState } from 'react';
import { type HoldTry, firstBreaths, holdFeelings } from '@/core/look';
import { Button } from '@/parts/Button';
import { ChoiceChips } from '@/parts/Chips';

/** After a hold: how long it was, and the two answers that decide whether it counts. */
export function AfterHold({
  seconds,
  steps,
  recordWords,
  onRecord,
  onLeaveOut,
}: {
  seconds: number;
  steps?: number | undefined;
  recordWords: string;
  onRecord: (feeling: HoldTry['feeling'], firstBreath: HoldTry['firstBreath']) => void;
  onLeaveOut: () => void;
}) {
  const [feeling, setFeeling] = useState<HoldTry['feeling'] | null>(null);
  const [firstBreath, setFirstBreath] = useState<HoldTry['firstBreath'] | null>(null);
  return (
    <div className="space-y-4 rounded-one border-2 border-ink p-5">
      <p className="text-3xl font-semibold">
        {seconds.toFixed(1)} s{steps === undefined ? '' : `, ${steps} steps`}
      </p>
      <ChoiceChips
        label="How it felt"
        value={feeling}
        choices={holdFeelings.map((value) => ({ value, label: value }))}
        onChange={setFeeling}
      />
      <ChoiceChips
        apart
        label="First breath back"
        value={firstBreath}
        choices={firstBreaths.map((value) => ({ value, label: value }))}
        onChange={setFirstBreath}
      />
      <div className="flex gap-2">
        <Button
          look="strong"
          disabled={!feeling || !firstBreath}
          onClick={() => feeling && firstBreath && onRecord(feeling, firstBreath)}
        >
          {recordWords}
        </Button>
        <Button onClick={onLeaveOut}>Leave it out</Button>
      </div>
    </div>
  );
}
