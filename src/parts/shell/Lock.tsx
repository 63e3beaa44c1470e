'use client';

import { Lock as LockSign } from 'lucide-react';
import { Link } from '@/parts/Link';
import { createPortal } from 'react-dom';
import { type FormEvent, type ReactNode, createContext, useContext, useEffect, useRef, useState } from 'react';
import { askAccess, isPresent, onShut, setWriter } from '@/keep';
import { Button } from '../Button';
import { Field, TextInput } from '../Field';

/** Who is signed in, for the strip on top; null while the studio has no passphrase. */
export interface SignedIn {
  coachId: string;
  name: string;
  lockMinutes: number;
}

interface Locking {
  who: SignedIn | null;
  lock: () => void;
}
const LockContext = createContext<Locking>({ who: null, lock: () => undefined });

/** How often it is told that somebody is still there, and how often it is looked whether nobody is. */
const tellEveryMs = 60_000;
const lookEveryMs = 5_000;
/** Where every tab of this browser notes when somebody was last there. */
const seenKey = 'kokyu.seen';
/** Where a browser notes when it was locked; nothing where it was opened since. */
const lockedKey = 'kokyu.locked';
/** Notes that this browser was opened again. */
export const noteOpen = () => localStorage.removeItem(lockedKey);
const signs = ['pointerdown', 'keydown', 'wheel', 'touchstart'] as const;

function lastSeen(): number {
  const noted = Number(localStorage.getItem(seenKey) ?? 0);
  // One that lies ahead of the clock says nothing.
  return noted <= Date.now() ? noted : 0;
}

/**
 * Locks what is inside after silence, in every tab, and on a press. What goes on under it goes on: a run keeps its pace and its sound, and
 * nothing of what is on the page is lost.
 */
export function Lock({ who, children }: { who: SignedIn | null; children: ReactNode }) {
  const [locked, setLocked] = useState(false);
  // Before anything is sent: what another coach left waiting here is not theirs to send.
  const [writing] = useState(() => setWriter(who?.coachId ?? null));
  void writing;
  const minutes = who?.lockMinutes ?? null;
  useEffect(() => {
    if (minutes === null) return;
    localStorage.setItem(seenKey, String(Date.now()));
    let toldMs = Date.now();
    const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('kokyu-lock');
    if (channel) channel.onmessage = ({ data }) => setLocked(data === 'lock');
    const present = () => {
      const now = Date.now();
      localStorage.setItem(seenKey, String(now));
      if (now - toldMs < tellEveryMs) return;
      toldMs = now;
      void askAccess('seen', {}).then((told) => {
        if (!told.ok && told.status === 423) setLocked(true);
        if (!told.ok && told.status === 401) location.assign('/sign-in');
      });
    };
    // Locked after this page was asked for and before it listened, or while it was one to go back to: nobody told it.
    const heed = () => {
      if (Number(localStorage.getItem(lockedKey) ?? 0) > performance.timeOrigin) setLocked(true);
    };
    const soon = setTimeout(heed);
    addEventListener('pageshow', heed);
    for (const sign of signs) addEventListener(sign, present, { passive: true, capture: true });
    const look = setInterval(() => {
      if (isPresent()) return present();
      if (Date.now() - lastSeen() >= minutes * 60_000) {
        localStorage.setItem(lockedKey, String(Date.now()));
        setLocked(true);
        void askAccess('lock', {});
      }
    }, lookEveryMs);
    const stop = onShut((how) => (how === 'locked' ? setLocked(true) : location.assign('/sign-in')));
    // A page was asked for while it is locked: it waits.
    const cover = (event: Event) => {
      event.preventDefault();
      setLocked(true);
    };
    addEventListener('kokyu:shut', cover);
    return () => {
      for (const sign of signs) removeEventListener(sign, present, { capture: true });
      removeEventListener('pageshow', heed);
      removeEventListener('kokyu:shut', cover);
      clearTimeout(soon);
      clearInterval(look);
      stop();
      channel?.close();
    };
  }, [minutes]);
  const tellTabs = (word: 'lock' | 'open') => {
    if (typeof BroadcastChannel === 'undefined') return;
    const channel = new BroadcastChannel('kokyu-lock');
    channel.postMessage(word);
    channel.close();
  };
  const lock = () => {
    localStorage.setItem(lockedKey, String(Date.now()));
    setLocked(true);
    tellTabs('lock');
    void askAccess('lock', {});
  };
  return (
    <LockContext value={{ who, lock }}>
      {children}
      {locked &&
        who &&
        createPortal(
          <Locked
            name={who.name}
            onOpen={() => {
              localStorage.setItem(seenKey, String(Date.now()));
              noteOpen();
              setLocked(false);
              tellTabs('open');
            }}
          />,
          document.body,
        )}
    </LockContext>
  );
}

/** Everything on the page but the lock: dialogs and lists that lie over it too, which stand beside it in the body. */
function hideTheRest(): () => void {
  const rest = [...document.body.children].filter(
    (one): one is HTMLElement => one instanceof HTMLElement && one.dataset.locked === undefined,
  );
  const before = rest.map((one) => [one, one.inert, one.style.visibility] as const);
  for (const one of rest) {
    one.inert = true;
    one.style.visibility = 'hidden';
  }
  return () => {
    for (const [one, inert, visibility] of before) {
      one.inert = inert;
      one.style.visibility = visibility;
    }
  };
}

function Locked({ name, onOpen }: { name: string; onOpen: () => void }) {
  const [why, setWhy] = useState<string | null>(null);
  const [asking, setAsking] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  const cover = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const show = hideTheRest();
    const lock = cover.current!;
    // A dialog that lies under it would take a press or a look elsewhere for being left, and close with what was typed in it.
    const unheard = (event: Event) => event.stopPropagation();
    for (const sign of ['pointerdown', 'focusin'] as const) lock.addEventListener(sign, unheard);
    input.current?.focus();
    return () => {
      for (const sign of ['pointerdown', 'focusin'] as const) lock.removeEventListener(sign, unheard);
      show();
      dispatchEvent(new Event('kokyu:open'));
    };
  }, []);
  const open = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const passphrase = String(new FormData(event.currentTarget).get('passphrase') ?? '');
    setAsking(true);
    setWhy(null);
    const told = await askAccess('unlock', { passphrase });
    setAsking(false);
    if (told.ok) return onOpen();
    if (told.status === 401) return location.assign('/sign-in');
    setWhy(told.why);
  };
  return (
    <div
      ref={cover}
      data-locked=""
      role="dialog"
      aria-modal="true"
      aria-labelledby="locked"
      className="pointer-events-auto fixed inset-0 z-50 overflow-auto bg-paper"
    >
      <form onSubmit={(event) => void open(event)} className="mx-auto mt-[18vh] max-w-sm space-y-4 px-4">
        <h1 id="locked" className="text-2xl">
          Locked
        </h1>
        <p className="text-ink2">
          {name}, type your passphrase to go on where you were.
          {isPresent() && ' The run goes on meanwhile.'}
        </p>
        <input type="text" autoComplete="username" value={name} readOnly hidden />
        <Field label="Passphrase" error={why}>
          {(ids) => (
            <TextInput
              {...ids}
              ref={input}
              name="passphrase"
              type="password"
              autoComplete="current-password"
              required
            />
          )}
        </Field>
        <Button type="submit" look="strong" disabled={asking}>
          {asking ? 'Opening…' : 'Unlock'}
        </Button>
        <p className="text-sm text-ink2">
          Not {name}?{' '}
          <button
            type="button"
            className="min-h-11 underline underline-offset-4"
            onClick={() => location.assign('/sign-in')}
          >
            Sign in as somebody else
          </button>
        </p>
      </form>
    </div>
  );
}

/** Who is signed in, and one press that locks. Nothing while the studio has no passphrase. */
export function WhoIsHere() {
  const { who } = useContext(LockContext);
  if (!who) return null;
  return (
    <>
      <Link
        href="/settings/access"
        className="flex min-h-11 max-w-40 items-center truncate pl-2 text-sm text-ink2 hover:text-ink hover:underline"
      >
        {who.name}
      </Link>
      <LockButton />
    </>
  );
}

/** One press that locks; nothing while the studio has no passphrase. */
export function LockButton() {
  const { who, lock } = useContext(LockContext);
  return who ? (
    <button
      type="button"
      className="grid size-11 place-items-center rounded-one text-ink2 hover:text-ink"
      aria-label="Lock"
      onClick={lock}
    >
      <LockSign size={20} aria-hidden />
    </button>
  ) : null;
}
