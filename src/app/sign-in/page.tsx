import { cookies, headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { SignIn } from '@/stations/access/SignIn';
import { hasCoaches, wholeStore } from '@/store';
import { cookieName, wordOf } from '../cookie';
import { one } from '../query';
import { sessionOf } from '../session';

export const metadata = { title: 'Sign in' };

/** A place of this app, or the front page: nobody is sent anywhere else. */
const placeIn = (to: string) => (/^\/(?![/\\])[\w\-./?=&%]*$/.test(to) ? to : '/');

export default async function SignInPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const store = wholeStore();
  const to = placeIn(one((await searchParams).to));
  if (!hasCoaches(store)) redirect('/');
  const name = cookieName((await headers()).get('x-kokyu-secure') === 'yes');
  const session = sessionOf(wordOf((await cookies()).get(name)?.value));
  if (session?.standing === 'open') redirect(to);
  return (
    <main id="main" className="mx-auto max-w-sm px-4 pt-[14vh]">
      <SignIn lockedFor={session?.name ?? null} to={to} />
      <p className="mt-8 border-t border-rule pt-3 text-sm text-ink2">
        Kokyu keeps health notes. Only those who coach here come in.
      </p>
    </main>
  );
}
