'use client';

import { type Complaint, complaintPlaces } from '@/core/safety';
import { capital } from '@/core/reasons';
import { dayInWords } from '@/core/record';
import { ChoiceChips, TickChips } from '@/parts/Chips';
import { Slider } from '@/parts/Slider';
import { useDraft } from '@/parts/useDraft';
import { type ClientView } from '../view';
import { useFact } from '../useFact';

/** Where the complaint is, how much of it there is, and whether the days are long at a desk: what the looks are led by. */
export function ComplaintDetail({ view }: { view: ClientView }) {
  const { latest, complaint, longDesk } = view.known;
  const detail = useFact(view.id, 'complaintDetail', latest.complaintDetail);
  const desk = useFact(view.id, 'longDesk', latest.longDesk, { shownHere: false });
  // Taps come faster than answers and a slider is dragged through every step: what it came to rest at is one fact, kept at the
  // latest when the page goes away.
  const told = latest.complaintDetail;
  // How much of it there is, is asked anew on each day: what was told another day is no answer for this one.
  const ofToday = told?.day === view.today;
  const { value: now, change } = useDraft<Complaint>(
    ofToday ? complaint : { ...complaint, level: null },
    detail.record,
    { typed: false },
  );
  return (
    <div className="space-y-3">
      <TickChips
        label="Where is it?"
        values={[...now.places]}
        choices={complaintPlaces.map((value) => ({ value, label: capital(value) }))}
        onChange={(places) => change({ ...now, places })}
      />
      <div className="grid gap-4 md:grid-cols-2">
        <Slider
          label={
            told && !ofToday && complaint.level !== null
              ? `How much of it today, 0 to 10 (${dayInWords(told.day, view.today)}: ${complaint.level})`
              : 'How much of it today, 0 to 10'
          }
          value={now.level}
          min={0}
          max={10}
          step={1}
          low="none"
          high="as bad as can be"
          onChange={(level) => change({ ...now, level })}
        />
        <ChoiceChips
          label="Sits for long spells on most days?"
          value={longDesk}
          choices={[
            { value: 'no', label: 'No' },
            { value: 'yes', label: 'Yes' },
            { value: 'unknown', label: 'Not asked' },
          ]}
          onChange={(next) => void desk.record(next)}
        />
      </div>
      {detail.error && (
        <p role="alert" className="font-semibold">
          {detail.error}
        </p>
      )}
    </div>
  );
}
