import { type Metadata } from 'next';
import { dayOfHome, homeNotice, homeWords, stopWords, withdrawnOf } from '@/core/home';
import { dayIn } from '@/core/record';
import { CheckInPage, LinkOver } from '@/stations/checkIn/CheckIn';
import { checkInNow } from '../../checkIn';

export const metadata: Metadata = { title: 'How it goes', robots: { index: false, follow: false } };

/** A client’s own page, by the word in its address: what went home with them, and how it goes. Nothing of anybody else is on it. */
export default async function Page({ params }: { params: Promise<{ word: string }> }) {
  const { word } = await params;
  const found = checkInNow(word);
  if (!found) return <LinkOver />;
  const { home, gates, today, told, weights } = found;
  const { plan } = home;
  const off = new Set(withdrawnOf(plan.items, gates).map(({ id }) => id));
  return (
    <CheckInPage
      word={word}
      from={plan.from}
      days={plan.days}
      today={dayOfHome(plan, today)}
      begun={dayIn(Date.parse(`${plan.from}T12:00:00Z`), 'UTC') <= today}
      items={plan.items.slice(0, 3).map(({ id, item }) => {
        const { name, dose } = homeWords(item, weights);
        return { id, name, dose, off: off.has(id) };
      })}
      told={told}
      stop={stopWords}
      notice={homeNotice}
    />
  );
}
