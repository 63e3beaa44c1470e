'use client';

import { proxy, wrap } from 'comlink';
import { useState } from 'react';
import { createPortal } from 'react-dom';
import { type HomePlan, cueSheet } from '@/core/home';
import { drillOf } from '@/core/sequence';
import { useKeep } from '@/keep';
import { Button } from '@/parts/Button';
import { TickChips } from '@/parts/Chips';
import { NamedSelect } from '@/parts/Field';
import { type PaperId, type SheetFor, homeSheetPages, papers, stickerSheet } from '@/parts/figures/homeSheet';
import { WayOn } from '@/parts/WayOn';
import { WhilePrinting } from '@/parts/WhilePrinting';
import { asFileName, saveFile } from '@/parts/saveFile';
import { say } from '@/parts/say';
import { type WaveWorker } from '@/workers/wave.worker';
import { shownWeek } from '../shownWeek';
import { type ClientView } from '../view';

const outs = ['sheet', 'calendar', 'sound', 'phone', 'stickers'] as const;
type Out = (typeof outs)[number];
const outWords: Readonly<Record<Out, string>> = {
  sheet: 'Sheet (PDF)',
  calendar: 'Calendar',
  sound: 'Sound',
  phone: 'Page for the phone',
  stickers: 'Stickers',
};
/** What goes along once it was chosen what reminds them. */
const reminders = { alarms: 'calendar', things: 'stickers' } as const;
const options = ['large type', 'little ink'] as const;

/** What goes out: the sheet on paper and as a file, calendar, sound, the page for the phone, stickers; and the handing over. */
export function GoesOut({ view, plan, stopped }: { view: ClientView; plan: HomePlan; stopped: string | null }) {
  const keep = useKeep();
  const visit = view.visit!;
  const reminder = plan.remind ? reminders[plan.remind] : null;
  const [by, setBy] = useState<{ remind: HomePlan['remind']; ticked: Out[] }>({
    remind: null,
    ticked: ['sheet', 'phone'],
  });
  // Chosen anew, its own goes along and the other doesn't; what is ticked by hand after that stands.
  const ticked =
    reminder === null || by.remind === plan.remind
      ? by.ticked
      : [...by.ticked.filter((out) => out !== 'calendar' && out !== 'stickers'), reminder];
  const setTicked = (next: Out[]) => setBy({ remind: plan.remind, ticked: next });
  const [paper, setPaper] = useState<PaperId>('A4');
  const [chosen, setChosen] = useState<(typeof options)[number][]>([]);
  const [soundOf, setSoundOf] = useState('');
  const [progress, setProgress] = useState<number | null>(null);
  const [error, setError] = useState<string | null>(null);
  const first = view.name.split(' ')[0] ?? view.name;
  const to: SheetFor = {
    studio: view.settings.studioName,
    name: first,
    paper,
    large: chosen.includes('large type'),
    lowInk: chosen.includes('little ink'),
    weights: view.settings.weightUnit,
    ...shownWeek(view),
  };
  const file = `home-${asFileName(first)}`;

  const pdf = async () => {
    const { sheetPdf } = await import('@/parts/sheetPdf');
    const format = paper === 'A4' ? 'a4' : 'letter';
    saveFile(`${file}.pdf`, 'application/pdf', await sheetPdf(homeSheetPages(plan, to), format, 'portrait'));
  };
  const sound = async () => {
    const worker = new Worker(new URL('../../workers/wave.worker.ts', import.meta.url), { type: 'module' });
    try {
      setProgress(0);
      const one = plan.items.find(({ id }) => id === soundOf);
      const items = (one ? [one] : plan.items).map(({ item }) => item);
      const wave = await wrap<WaveWorker>(worker).wave(
        items,
        proxy((part: number) => setProgress(part)),
      );
      saveFile(`${file}.wav`, 'audio/wav', new Blob([wave as BlobPart], { type: 'audio/wav' }));
      const names = items.map((item) => drillOf(item).name);
      saveFile(`${file}-sound.txt`, 'text/plain', cueSheet(items, names));
    } finally {
      worker.terminate();
      setProgress(null);
    }
  };
  const fetched = async (what: 'phone' | 'calendar', name: string, type: string) => {
    const answer = await fetch(`/api/visits/${visit.id}/${what}`);
    if (!answer.ok) throw new Error(`The ${what === 'phone' ? 'page for the phone' : 'calendar'} could not be made.`);
    saveFile(name, type, await answer.blob());
  };
  const makers: Readonly<Record<Out, () => Promise<void>>> = {
    sheet: pdf,
    calendar: () => fetched('calendar', `${file}.ics`, 'text/calendar'),
    sound,
    phone: () => fetched('phone', `${file}.html`, 'text/html'),
    stickers: async () => saveFile(`${file}-stickers.svg`, 'image/svg+xml', stickerSheet(plan, to)),
  };

  const handOver = async () => {
    setError(null);
    const outcome = await keep('home.hand', { visitId: visit.id });
    if (outcome.state === 'refused') return setError(outcome.why);
    for (const out of outs) {
      if (!ticked.includes(out)) continue;
      try {
        await makers[out]();
      } catch {
        setError(`${outWords[out]} could not be made just now. What goes home is kept; try it again.`);
        return;
      }
    }
    say('Handed over.');
  };

  return (
    <>
      <section aria-labelledby="goesout" className="mt-6 border-t border-ink pt-4">
        <div className="flex flex-wrap items-end gap-6">
          <h2 id="goesout" className="basis-full text-lg">
            What goes out
          </h2>
          <TickChips
            label="Handed over at once"
            values={ticked}
            choices={outs.map((value) => ({ value, label: outWords[value] }))}
            onChange={(next) => setTicked(next)}
          />
          <div className="w-28">
            <NamedSelect
              label="Paper"
              value={paper}
              choices={(Object.keys(papers) as PaperId[]).map((id) => [id, id])}
              onChange={(next) => next && setPaper(next)}
            />
          </div>
          {ticked.includes('sound') && plan.items.length > 1 && (
            <div className="w-56">
              <NamedSelect
                label="Sound of"
                value={soundOf}
                none="the whole set"
                choices={plan.items.map(({ id, item }) => [id, drillOf(item).name])}
                onChange={(next) => setSoundOf(next)}
              />
            </div>
          )}
          <TickChips
            label="On paper"
            values={chosen}
            choices={options.map((value) => ({ value, label: value }))}
            onChange={(next) => setChosen(next)}
          />
        </div>
        {progress !== null && (
          <p role="status" className="mt-2">
            Making the sound: {Math.round(progress * 100)} %
          </p>
        )}
        {error && (
          <p role="alert" className="mt-2 font-semibold">
            {error}
          </p>
        )}
        {plan.items.length > 0 && (
          <div className="mt-3 flex flex-wrap gap-3">
            <Button onClick={() => window.print()}>Print the sheet</Button>
            <OnPaper plan={plan} to={to} />
          </div>
        )}
      </section>
      <WayOn>
        {stopped && <p className="font-semibold text-caution">▲ {stopped}</p>}
        <Button
          look="strong"
          className="min-h-14 px-6 text-xl"
          disabled={stopped !== null || progress !== null}
          data-way-on
          onClick={() => void handOver()}
        >
          {visit.home?.handedAt ? 'Hand it over again' : 'Hand it over'}
        </Button>
      </WayOn>
    </>
  );
}

/** The sheet, beside the page: nothing else is printed. */
const OnPaper = ({ plan, to }: { plan: HomePlan; to: SheetFor }) => (
  <WhilePrinting>
    {() =>
      createPortal(
        <div data-print className="hidden print:block">
          {homeSheetPages(plan, to).map((page, at) => (
            // Drawn by our own geometry; every word in it is escaped there.
            <div key={at} className="sheet-page" dangerouslySetInnerHTML={{ __html: page }} />
          ))}
        </div>,
        document.body,
      )
    }
  </WhilePrinting>
);
