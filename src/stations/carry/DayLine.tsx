'use client';

import { useState } from 'react';
import { ChevronLeft, ChevronRight, X } from 'lucide-react';
import { awakeMinutes, goTotals, inOrderOfDay, moved, sinceWaking } from '@/core/home';
import { drillOf } from '@/core/sequence';
import { Button } from '@/parts/Button';
import { TextInput } from '@/parts/Field';
import { keptApart } from '@/parts/figures/overTime.geometry';
import { useDraft } from '@/parts/useDraft';
import { useWidth } from '@/parts/useWidth';
import { type Home } from './useHome';

/** Minutes by which a time of the day moves at once. */
const step = 15;
/** From one to the next so that a finger meets one; a time of the day as it is written; what it hangs on. */
const [touchPx, timePx, wordsPx] = [46, 44, 80];
/** Teeth of a comb that can still be told apart. */
const mostTeeth = 12;

/** The day from getting up to going to sleep as one line; each time stands on it with a tooth a breath, and can be moved. */
export function DayLine({ home }: { home: Home }) {
  const { plan } = home;
  const [line, width] = useWidth(888);
  const [chosen, setChosen] = useState<string | null>(null);
  const awake = awakeMinutes(plan);
  const goes = inOrderOfDay(plan);
  const numbers = new Map(plan.items.map(({ id }, at) => [id, at + 1]));
  const open = goes.find(({ id }) => id === chosen) ?? null;
  const byId = new Map(plan.items.map((one) => [one.id, one.item]));
  const placed = (at: string) => Math.min(100, (sinceWaking(at, plan) / awake) * 100);
  const stands = apart(
    goes.map(({ at }) => placed(at)),
    (100 * touchPx) / width,
  );
  const px = stands.map((stand) => (stand * width) / 100);
  /** What a time hangs on is written where no neighbour stands in the way. */
  const roomy = (at: number) =>
    Math.min((px[at + 1] ?? Infinity) - px[at]!, px[at]! - (px[at - 1] ?? -Infinity)) > wordsPx;

  const drag = (id: string, fromX: number) => {
    const go = goes.find((one) => one.id === id);
    if (!go) return;
    const end = (event: PointerEvent) => {
      window.removeEventListener('pointerup', end);
      window.removeEventListener('pointercancel', cancel);
      if (Math.abs(event.clientX - fromX) < 6) return;
      const by = Math.round((((event.clientX - fromX) / width) * awake) / step) * step;
      if (by !== 0) home.changeGo(id, (one) => moved(one, by, plan));
    };
    const cancel = () => {
      window.removeEventListener('pointerup', end);
      window.removeEventListener('pointercancel', cancel);
    };
    window.addEventListener('pointerup', end);
    window.addEventListener('pointercancel', cancel);
  };

  /** Where they stand close, only some have their time written, of those at one time the first; the chosen one always. */
  const told = goes.flatMap(({ at }, index) => (goes[index - 1]?.at === at ? [] : [index]));
  const written = new Set(
    keptApart(
      told.map((index) => px[index]!),
      timePx,
    ).map((index) => told[index]!),
  );
  return (
    <section aria-label="The day" className="mt-4">
      <div ref={line} className="relative mx-9 h-[7.75rem]" data-day-line>
        <div className="absolute inset-x-0 top-[68px] h-0.5 bg-ink" />
        {Array.from({ length: Math.floor(awake / 60) + 1 }, (_, hour) => (
          <div
            key={hour}
            className="absolute top-[68px] h-1.5 w-px bg-line"
            style={{ left: `${((hour * 60) / awake) * 100}%` }}
          />
        ))}
        {goes.map((go) => (
          <div
            key={go.id}
            className="absolute top-[64px] h-2.5 w-1 -translate-x-1/2 bg-ink"
            style={{ left: `${placed(go.at)}%` }}
          />
        ))}
        {goes.map((go, at) => {
          const item = byId.get(go.itemId);
          if (!item) return null;
          const { breaths } = goTotals(item);
          return (
            <button
              key={go.id}
              type="button"
              aria-pressed={chosen === go.id}
              className={`absolute top-0 flex h-[7.5rem] min-w-11 -translate-x-1/2 touch-none flex-col items-center rounded-one border-2 px-1 ${
                chosen === go.id ? 'z-10 border-ink bg-leaf' : 'border-transparent hover:border-rule'
              }`}
              style={{ left: `${stands[at]}%` }}
              onClick={() => setChosen(chosen === go.id ? null : go.id)}
              onPointerDown={(event) => drag(go.id, event.clientX)}
              onKeyDown={(event) => {
                const by = event.key === 'ArrowLeft' ? -step : event.key === 'ArrowRight' ? step : 0;
                if (by === 0) return;
                event.preventDefault();
                home.changeGo(go.id, (one) => moved(one, by, plan));
              }}
            >
              <span className="text-base leading-6 font-semibold">{numbers.get(go.itemId)} </span>
              <Comb breaths={breaths} />
              <span
                className={`mt-3.5 text-sm leading-4 tabular-nums ${written.has(at) || chosen === go.id ? '' : 'opacity-0'}`}
              >
                {go.at}
              </span>
              <span className={roomy(at) ? 'max-w-24 truncate text-sm leading-5 text-ink2' : 'sr-only'}>
                {' '}
                {go.with}
              </span>
              <span className="sr-only">
                : {drillOf(item).name}, {breaths} breaths
              </span>
            </button>
          );
        })}
      </div>
      <div className="mx-9 flex justify-between text-sm text-ink2">
        <span>up {plan.wakes}</span>
        {plan.sits && (
          <span>
            sits {plan.sits.from} to {plan.sits.to}
          </span>
        )}
        <span>asleep {plan.sleeps}</span>
      </div>
      {open && (
        <div className="mt-2 flex flex-wrap items-end gap-3 border-y border-rule py-2" data-go>
          <span className="self-center font-semibold">
            {numbers.get(open.itemId)} at {open.at}
          </span>
          <Button
            aria-label="15 minutes earlier"
            onClick={() => home.changeGo(open.id, (one) => moved(one, -step, plan))}
          >
            <ChevronLeft aria-hidden size={20} />
          </Button>
          <Button aria-label="15 minutes later" onClick={() => home.changeGo(open.id, (one) => moved(one, step, plan))}>
            <ChevronRight aria-hidden size={20} />
          </Button>
          <With
            key={open.id}
            words={open.with}
            onChange={(words) => home.changeGo(open.id, (one) => ({ ...one, with: words }))}
          />
          <Button
            onClick={() => {
              home.takeGo(open.id);
              setChosen(null);
            }}
          >
            <X aria-hidden size={18} /> Take this time out
          </Button>
        </div>
      )}
    </section>
  );
}

/**
 * Places so far from each other that each can be touched, as near to where they belong as that allows; all in parts of a hundred.
 *
 * @param wanted from one to the next, where there is room for it
 */
function apart(places: readonly number[], wanted: number): number[] {
  const least = Math.min(wanted, 100 / Math.max(1, places.length - 1));
  const stands: number[] = [];
  for (const place of places) stands.push(Math.max(place, (stands.at(-1) ?? -least) + least));
  for (let at = stands.length - 1, most = 100; at >= 0; at -= 1, most = stands[at + 1]! - least)
    stands[at] = Math.min(stands[at]!, most);
  return stands;
}

/** What a time of the day hangs on. */
function With({ words, onChange }: { words: string; onChange: (words: string) => void }) {
  const { value, change, commit } = useDraft(words, (next) => onChange(next));
  return (
    <label className="grow">
      <span className="text-sm text-ink2">Hangs on (kettle, door, stairs …)</span>
      <TextInput maxLength={40} value={value} onChange={(event) => change(event.target.value)} onBlur={commit} />
    </label>
  );
}

/** A tooth a breath: up solid, down hatched by a second stroke; the number stands beside where there are too many to count. */
function Comb({ breaths }: { breaths: number }) {
  const teeth = Math.min(breaths, mostTeeth);
  // Never wider than the place it can be touched at.
  const pitch = Math.min(5, 42 / teeth);
  const width = Math.max(12, teeth * pitch);
  return (
    <svg viewBox={`0 0 ${width} 36`} width={width} height={36} aria-hidden className="block">
      {Array.from({ length: teeth }, (_, at) => (
        <g key={at}>
          <path d={`M${at * pitch} 36L${at * pitch + 2} 6V36Z`} fill="var(--inhale)" />
          <path
            d={`M${at * pitch + 2} 6L${at * pitch + pitch - 0.4} 36`}
            stroke="var(--exhale)"
            strokeWidth="1.2"
            fill="none"
          />
        </g>
      ))}
    </svg>
  );
}
