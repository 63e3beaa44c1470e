'use client';

import { useState } from 'react';
import { capital, counted } from '@/core/reasons';
import { dayInWords } from '@/core/record';
import {
  type Complaint,
  type Fact,
  type Symptoms,
  conditionById,
  conditionIds,
  signInWords,
  symptomsInWords,
} from '@/core/safety';
import { Button } from '@/parts/Button';
import { Fold } from '@/parts/Fold';
import { type ClientView } from '../view';

const names: Readonly<Record<string, string>> = {
  name: 'Name',
  birthDay: 'Born',
  goal: 'Goal',
  complaint: 'Complaint',
  complaintDetail: 'Where it is, and how much',
  symptoms: 'Leaks in seven days, and symptoms',
  longDesk: 'Long days at a desk',
  clinician: 'Clinician',
  medicines: 'Medicines',
  touch: 'Touch',
  guardian: 'Guardian’s consent',
  emergency: 'Emergency signs',
  redFlags: 'Red flags',
  emergencyClearance: 'Cleared after an emergency sign',
  redFlagClearance: 'Red flag cleared',
  rateClearance: 'Resting rate cleared',
  whatChanged: 'What changed',
  screened: 'Gone through',
};

const detailNames: Readonly<Record<string, string>> = {
  weekOnDay: 'week',
  dueDate: 'due',
  date: 'on',
  caesarean: 'caesarean',
  side: 'side',
  site: 'at',
  clearedBy: 'cleared by',
  note: 'note',
};

/** A fact in words: what was said, as it was said. */
function said({ key, value }: Fact): { what: string; words: string } {
  const condition = conditionIds.find((id) => key === `answer:${id}`);
  if (condition) {
    const { value: answer, ...detail } = value as { value: string } & Record<string, unknown>;
    const rest = Object.entries(detail)
      .filter(([, one]) => one !== undefined && one !== '' && one !== false)
      .map(([name, one]) => `${detailNames[name] ?? name}${one === true ? '' : ` ${String(one)}`}`);
    return { what: capital(conditionById(condition).name), words: [answer, ...rest].join(', ') };
  }
  const what = names[key] ?? key;
  if (key === 'emergency' || key === 'redFlags') {
    const { present } = value as { present: string[] };
    return { what, words: present.length === 0 ? 'none' : present.map(signInWords).join('; ') };
  }
  if (key === 'whatChanged') return { what, words: (value as { changed: string }).changed };
  if (key === 'screened') return { what, words: 'all answers still stand' };
  if (key === 'symptoms') return { what, words: symptomsInWords(value as Symptoms) };
  if (key === 'complaintDetail') {
    const { places, level } = value as Complaint;
    return { what, words: [...places, ...(level === null ? [] : [`${level} of 10`])].join(', ') || 'taken out' };
  }
  if (typeof value === 'boolean') return { what, words: value ? 'yes' : 'no' };
  if (value !== null && typeof value === 'object') return { what, words: Object.values(value).join(': ') };
  return { what, words: value === null || value === '' ? 'taken out' : String(value) };
}

/** Every answer by its day, newest first: nothing said is ever overwritten. The long tail of it is fetched when it is asked for. */
export function History({ view }: { view: ClientView }) {
  const [all, setAll] = useState<Fact[] | null>(null);
  const [failed, setFailed] = useState(false);
  if (!view.history) return null;
  const { facts, entries, days: dayCount } = view.history;
  // What came in since the rest was fetched is in the page's own part.
  const known = new Set(facts.map(({ id }) => id));
  const shown = [...(all ?? []).filter(({ id }) => !known.has(id)), ...facts];
  const days = [...new Set(shown.map(({ day }) => day))].sort().reverse();
  const fetchAll = async () => {
    const answer = await fetch(`/api/clients/${view.id}/facts`, { cache: 'no-store' }).catch(() => null);
    setFailed(!answer?.ok);
    if (answer?.ok) setAll(((await answer.json()) as { facts: Fact[] }).facts);
  };
  return (
    <Fold
      title={`History: ${counted(entries, 'entry', 'entries')} on ${counted(dayCount, 'day')}`}
      className="border-t border-ink pt-4"
      titleClass="text-lg font-semibold"
    >
      {days.map((day) => (
        <section key={day} aria-label={dayInWords(day, view.today)} className="mt-3">
          <h3 className="text-base">{dayInWords(day, view.today)}</h3>
          <ul className="grid gap-x-8 md:grid-cols-2">
            {[...shown]
              .reverse()
              .filter((fact) => fact.day === day)
              .map((fact) => {
                const { what, words } = said(fact);
                return (
                  <li key={fact.id} className="border-t border-rule py-1">
                    <span className="text-ink2">{what}: </span>
                    {words}
                  </li>
                );
              })}
          </ul>
        </section>
      ))}
      {shown.length < entries && (
        <div className="mt-3 flex flex-wrap items-center gap-3">
          <Button onClick={() => void fetchAll()}>Show all {entries}</Button>
          {failed && <p role="alert">The server did not answer. Try again.</p>}
        </div>
      )}
    </Fold>
  );
}
