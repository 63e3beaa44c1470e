'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { counted } from '@/core/reasons';
import { type DayOrder, type ListColumn, type ListMatch, listColumns, matchColumns, rowOfList } from '@/core/record';
import { Button } from '@/parts/Button';
import { ChoiceChips, TickChips } from '@/parts/Chips';
import { NamedSelect } from '@/parts/Field';
import { FileField } from '@/parts/FileField';

const columnWords: Readonly<Record<ListColumn, string>> = { name: 'Name', born: 'Born', note: 'Note for next time' };
const orderWords: Readonly<Record<DayOrder, string>> = {
  dmy: 'day, month, year',
  mdy: 'month, day, year',
  ymd: 'year, month, day',
};
const mostBytes = 4_000_000;
const firstShown = 6;

interface Lines {
  rows: { cells: string[]; line: number }[];
  /** Names that are here, small. */
  here: string[];
}

/** A list of clients from a spreadsheet: columns matched, the first lines looked at, bad lines named; then taken in. */
export function ClientList({ today }: { today: string }) {
  const router = useRouter();
  const [lines, setLines] = useState<Lines | null>(null);
  const [match, setMatch] = useState<ListMatch>({ name: null, born: null, note: null });
  const [order, setOrder] = useState<DayOrder>('dmy');
  const [options, setOptions] = useState<readonly ('head' | 'again')[]>(['head']);
  const [said, setSaid] = useState<{ ok: boolean; words: string } | null>(null);
  const [busy, setBusy] = useState(false);
  const ask = async (body: object): Promise<Record<string, unknown> | null> => {
    setBusy(true);
    setSaid(null);
    try {
      const response = await fetch('/api/studio/list', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      });
      const answer = (await response.json()) as Record<string, unknown>;
      if (response.ok) return answer;
      setSaid({ ok: false, words: String(answer.why ?? 'The server did not take it.') });
    } catch {
      setSaid({ ok: false, words: 'The server did not answer. Nobody was taken in.' });
    } finally {
      setBusy(false);
    }
    return null;
  };
  const read = async (file: File | undefined) => {
    if (!file) return;
    if (file.size > mostBytes) return setSaid({ ok: false, words: 'This list is too long. Divide it.' });
    const answer = (await ask({ text: await file.text() })) as Lines | null;
    if (!answer) return;
    setLines(answer);
    setMatch(matchColumns(answer.rows[0]?.cells ?? []));
  };
  const body = lines ? lines.rows.slice(options.includes('head') ? 1 : 0) : [];
  const rows = match.name === null ? [] : body.map(({ cells, line }) => rowOfList(cells, match, order, line, today));
  const bad = rows.flatMap((row) => (row.ok ? [] : [row]));
  const isHere = (name: string) => lines?.here.includes(name.toLocaleLowerCase('en')) ?? false;
  const good = rows.flatMap((row) => (row.ok ? [row] : []));
  const known = good.filter(({ name }) => isHere(name));
  const people = options.includes('again') ? good : good.filter(({ name }) => !isHere(name));
  const take = async () => {
    const answer = await ask({ people: people.map(({ name, born, note }) => ({ name, born, note })) });
    if (!answer) return;
    setLines(null);
    setSaid({ ok: true, words: `Taken in: ${counted(Number(answer.taken), 'client')}.` });
    router.refresh();
  };
  const width = Math.max(0, ...(lines?.rows.slice(0, 20).map(({ cells }) => cells.length) ?? []));
  const heads = Array.from({ length: width }, (_, i): [string, string] => [
    String(i),
    options.includes('head') ? lines!.rows[0]!.cells[i]?.trim() || `Column ${i + 1}` : `Column ${i + 1}`,
  ]);
  return (
    <section aria-labelledby="list" className="mt-8 max-w-4xl border-t border-ink pt-4">
      <h2 id="list" className="text-lg">
        A list of clients
      </h2>
      <p>
        From a spreadsheet, saved as CSV: a name each, and if you like when they were born and a note for next time.
      </p>
      <FileField label="The list (CSV)" accept=".csv,.txt,.tsv" disabled={busy} onFile={(file) => void read(file)} />
      {said && (
        <p role={said.ok ? 'status' : 'alert'} className={`mt-2 ${said.ok ? '' : 'font-semibold'}`}>
          {said.words}
        </p>
      )}
      {lines && (
        <div className="mt-4 rounded-one border border-ink p-4">
          <div className="flex flex-wrap items-end gap-4">
            {listColumns.map((column) => (
              <div key={column} className="w-44">
                <NamedSelect
                  label={columnWords[column]}
                  value={match[column] === null ? '' : String(match[column])}
                  choices={heads}
                  none="not in the list"
                  onChange={(next) => setMatch({ ...match, [column]: next === '' ? null : Number(next) })}
                />
              </div>
            ))}
            <ChoiceChips
              label="Days are written"
              value={order}
              choices={(Object.keys(orderWords) as DayOrder[]).map((value) => ({ value, label: orderWords[value] }))}
              onChange={setOrder}
            />
            <TickChips
              label="The list"
              values={[...options]}
              choices={[
                { value: 'head', label: 'Its first line names the columns' },
                { value: 'again', label: 'Take in names that are here already' },
              ]}
              onChange={(next) => setOptions(next)}
            />
          </div>
          {match.name === null ? (
            <p className="mt-4 font-semibold">Say which column is the name.</p>
          ) : (
            <>
              <table className="mt-4 w-full text-left">
                <caption className="text-left text-sm text-ink2">
                  The first {Math.min(firstShown, people.length)} of {people.length} who would be taken in
                </caption>
                <thead>
                  <tr className="border-b border-ink">
                    {['Line', ...listColumns.map((column) => columnWords[column])].map((words) => (
                      <th key={words} className="py-1 pr-4 font-semibold">
                        {words}
                      </th>
                    ))}
                  </tr>
                </thead>
                <tbody>
                  {people.slice(0, firstShown).map(({ line, name, born, note }) => (
                    <tr key={line} className="border-b border-rule">
                      <td className="py-1 pr-4 tabular-nums">{line}</td>
                      <td className="pr-4">{name}</td>
                      <td className="pr-4">{born ?? ''}</td>
                      <td>{note}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
              {known.length > 0 && !options.includes('again') && (
                <p className="mt-2 text-ink2">
                  {counted(known.length, 'is', 'are')} here already by that name and left out.
                </p>
              )}
              {bad.length > 0 && (
                <div className="mt-3">
                  <h3 className="text-base">{counted(bad.length, 'line is', 'lines are')} not taken in</h3>
                  <ul className="max-h-48 overflow-auto" tabIndex={0} aria-label="Lines that are not taken in">
                    {bad.map((row) => (
                      <li key={row.line}>
                        Line {row.line}: {row.ok ? '' : row.why}
                      </li>
                    ))}
                  </ul>
                </div>
              )}
              <Button
                look="strong"
                className="mt-4 mr-3"
                disabled={busy || people.length === 0}
                onClick={() => void take()}
              >
                Take in {counted(people.length, 'client')}
              </Button>
            </>
          )}
          <Button className="mt-4" disabled={busy} onClick={() => setLines(null)}>
            Leave it
          </Button>
        </div>
      )}
    </section>
  );
}
