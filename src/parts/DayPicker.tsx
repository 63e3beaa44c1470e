'use client';

import { ChevronLeft, ChevronRight } from 'lucide-react';
import { DayPicker as Calendar } from 'react-day-picker';
import { mannerOfDates, monthInWords, weekdayAndDay, weekdayName, weekdayShort } from '@/core/record';

/** The calendar's own dates are of this machine's zone; a day here is a day, wherever the machine is. */
const asDate = (day: string) => {
  const [year, month, date] = day.split('-').map(Number) as [number, number, number];
  return new Date(year, month - 1, date, 12);
};
const asDay = (date: Date) =>
  `${date.getFullYear()}-${String(date.getMonth() + 1).padStart(2, '0')}-${String(date.getDate()).padStart(2, '0')}`;

const weekStartsOn = { monday: 1, sunday: 0, saturday: 6 } as const;

const arrow = 'grid size-11 place-items-center rounded-one hover:bg-leaf';

/**
 * A month from which a day is chosen.
 *
 * @param day yyyy-mm-dd
 * @param today the studio's, which may not be this machine's
 */
export function DayPicker({ day, today, onChange }: { day: string; today: string; onChange: (day: string) => void }) {
  return (
    <Calendar
      mode="single"
      required
      weekStartsOn={weekStartsOn[mannerOfDates().weekStart]}
      formatters={{
        formatCaption: (date) => monthInWords(asDay(date)),
        formatWeekdayName: (date) => weekdayShort(asDay(date)),
      }}
      labels={{
        labelDayButton: (date, { today: isToday, selected }) =>
          `${isToday ? 'Today, ' : ''}${weekdayAndDay(asDay(date))}${selected ? ', selected' : ''}`,
        labelGrid: (date) => monthInWords(asDay(date)),
        labelWeekday: (date) => weekdayName(asDay(date)),
      }}
      selected={asDate(day)}
      defaultMonth={asDate(day)}
      today={asDate(today)}
      onSelect={(date) => date && onChange(asDay(date))}
      components={{
        Chevron: ({ orientation }) =>
          orientation === 'left' ? <ChevronLeft size={20} aria-hidden /> : <ChevronRight size={20} aria-hidden />,
      }}
      classNames={{
        root: 'w-fit',
        months: 'relative',
        month_caption: 'flex h-11 items-center justify-center font-semibold',
        nav: 'absolute inset-x-0 top-0 flex justify-between',
        button_previous: arrow,
        button_next: arrow,
        month_grid: 'border-collapse',
        weekday: 'h-8 w-[min(2.75rem,12vw)] text-sm font-normal text-ink2',
        day: 'p-0 text-center',
        day_button: 'grid h-11 w-[min(2.75rem,12vw)] place-items-center rounded-one hover:bg-leaf',
        today: 'font-bold underline underline-offset-4',
        selected: '[&>button]:bg-ink [&>button]:text-onink',
        outside: 'text-ink2',
      }}
    />
  );
}
