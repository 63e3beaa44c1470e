'use client';

import { useRouter } from 'next/navigation';
import { type ReactNode, useState } from 'react';
import { type Role } from '@/core/access';
import { dayInWords } from '@/core/record';
import { setByYou } from '@/core/reasons';
import { askAccess, useKeep, waitingCount } from '@/keep';
import { Button } from '@/parts/Button';
import { NamedSelect } from '@/parts/Field';
import { ProvenanceMark } from '@/parts/Provenance';
import { Stepper } from '@/parts/Stepper';
import { say } from '@/parts/say';
import { AccessForm, CodeShown, KnownPassphrase, NameField, NewPassphrase } from './passphrase';

interface CoachShown {
  id: string;
  name: string;
  role: Role;
  /** The day they were taken in, and the day they left. */
  since: string;
  until: string | null;
}

interface SessionShown {
  id: string;
  device: string;
  begun: string;
  seen: string;
  here: boolean;
  /** Of somebody else, whose: the owner sees everybody’s. */
  whose: string | null;
}

const Part = ({ id, title, children }: { id: string; title: string; children: ReactNode }) => (
  <section aria-labelledby={id} className="mb-8 border-t border-ink pt-4">
    <h2 id={id} className="mb-2 text-lg">
      {title}
    </h2>
    {children}
  </section>
);

/** Who may come in: the first passphrase, one’s own, where one is signed in, and for the owner everybody who coaches here. */
export function AccessPage({
  me,
  coaches,
  sessions,
  mustChange,
  lockMinutes,
  demo,
  today,
}: {
  me: { id: string; name: string; role: Role } | null;
  coaches: readonly CoachShown[];
  sessions: readonly SessionShown[];
  /** They came in with a passphrase somebody else set. */
  mustChange: boolean;
  lockMinutes: number;
  demo: boolean;
  today: string;
}) {
  const router = useRouter();
  const [code, setCode] = useState<{ code: string; whose: string } | null>(null);
  if (code) {
    return (
      <CodeShown
        {...code}
        onKept={() => {
          // A page that was made for nobody in particular is made for somebody from here on.
          if (me === null) location.assign('/settings/access');
          else setCode(null);
          router.refresh();
        }}
      />
    );
  }
  if (demo) {
    return (
      <p>
        The demo is open to whoever sits at this machine, and to nobody else: everybody in it is invented. Passphrases
        and coaches belong to a studio of your own (<code className="font-mono text-sm">npm start</code>).
      </p>
    );
  }
  if (me === null) return <FirstPassphrase onCode={(made) => setCode({ code: made, whose: 'the owner' })} />;
  if (mustChange) {
    return (
      <div className="max-w-md">
        <p className="mb-4">
          {me.name}, whoever took you in knows the passphrase you came in with. Set one that only you know: everything
          opens then.
        </p>
        <AccessForm
          ask="change"
          button="Set it"
          busy="Setting it…"
          onDone={() => {
            location.assign('/');
          }}
        >
          <KnownPassphrase label="The one you came in with" name="now" />
          <NewPassphrase label="Your own" />
        </AccessForm>
        <div className="mt-6">
          <SignOut />
        </div>
      </div>
    );
  }
  return (
    <>
      <Part id="me" title={me.name}>
        <p className="mb-3 text-ink2">
          {me.role === 'owner'
            ? 'You own this studio: you see every client, and nobody’s own breath but yours.'
            : 'You see your own clients and those shared with you.'}
        </p>
        <SignOut />
        <div className="mt-4 grid gap-8 sm:grid-cols-2">
          <div>
            <h3 className="mb-2 text-base">Another passphrase</h3>
            <AccessForm
              ask="change"
              button="Change it"
              busy="Changing…"
              onDone={() => {
                say('Changed. Wherever else you were signed in, you no longer are.');
                router.refresh();
              }}
            >
              <KnownPassphrase label="The one you have" name="now" />
              <NewPassphrase label="The new one" />
            </AccessForm>
          </div>
          <div>
            <h3 className="mb-2 text-base">Another printed code</h3>
            <p className="mb-2 text-sm text-ink2">The one before then opens nothing any more.</p>
            <AccessForm
              ask="newCode"
              button="Make a code"
              busy="Making it…"
              onDone={(told) => setCode({ code: told.code ?? '', whose: me.name })}
            >
              <KnownPassphrase />
            </AccessForm>
          </div>
        </div>
      </Part>
      <Part
        id="sessions"
        title={me.role === 'owner' ? 'Where you and others are signed in' : 'Where you are signed in'}
      >
        <ul>
          {sessions.map(({ id, device, begun, seen, here, whose }) => (
            <li key={id} className="flex flex-wrap items-center justify-between gap-x-6 border-t border-rule py-1">
              <span>
                {whose !== null && `${whose}: `}
                {device}
                {here && ' (here)'}
              </span>
              <span className="text-ink2">
                since {begun}, last used {seen}
              </span>
              {!here && (
                <Button
                  look="quiet"
                  aria-label={`End it: the session ${whose === null ? '' : `of ${whose} `}on ${device} since ${begun}`}
                  onClick={() =>
                    void askAccess('endSession', { sessionId: id }).then((told) => {
                      if (!told.ok) say(told.why);
                      router.refresh();
                    })
                  }
                >
                  End it
                </Button>
              )}
            </li>
          ))}
        </ul>
        <p className="mt-2 text-sm text-ink2">
          A session ends after twelve hours, and after four of silence. It locks sooner:
        </p>
        <LockAfter minutes={lockMinutes} owner={me.role === 'owner'} />
      </Part>
      {me.role === 'owner' && (
        <Coaches me={me.id} coaches={coaches} today={today} onCode={(made, whose) => setCode({ code: made, whose })} />
      )}
    </>
  );
}

function FirstPassphrase({ onCode }: { onCode: (code: string) => void }) {
  return (
    <div className="max-w-md">
      <p className="mb-4">
        This studio has no passphrase. Whoever sits at this machine sees every client; nobody can reach it from another
        one. With a passphrase you can take in other coaches, and open it to a tablet in the room.
      </p>
      <AccessForm ask="setUp" button="Set it" busy="Setting it…" onDone={(told) => onCode(told.code ?? '')}>
        <NameField label="Your name" hint="You sign in with it, and it stands in the trail of what was done." />
        <NewPassphrase />
      </AccessForm>
    </div>
  );
}

/** Nothing that was recorded here may be left behind: what has not reached the server is told of first. */
function SignOut() {
  const [left, setLeft] = useState(0);
  const out = async (anyway: boolean) => {
    const waiting = anyway ? 0 : await waitingCount();
    if (waiting > 0) return setLeft(waiting);
    const told = await askAccess('signOut', { forget: true });
    if (told.ok || told.status === 401) location.assign('/sign-in');
    else say(told.why);
  };
  return (
    <>
      <Button onClick={() => void out(false)}>Sign out</Button>
      {left > 0 && (
        <p role="alert" className="mt-2">
          {left === 1 ? 'One entry has' : `${left} entries have`} not reached the server yet. Signed out now, this
          browser forgets {left === 1 ? 'it' : 'them'}.{' '}
          <Button look="quiet" className="px-1" onClick={() => void out(true)}>
            Sign out all the same
          </Button>
        </p>
      )}
    </>
  );
}

function LockAfter({ minutes, owner }: { minutes: number; owner: boolean }) {
  const keep = useKeep();
  const [now, setNow] = useState(minutes);
  if (!owner) return <p>After {minutes} minutes without a touch, as the owner set it.</p>;
  return (
    <div className="flex items-end gap-3">
      <Stepper
        label="Locks after"
        value={now}
        unit="min without a touch"
        min={1}
        max={120}
        onChange={(next) => {
          setNow(next);
          void keep('settings.change', { lockMinutes: next }).then((outcome) => {
            if (outcome.state === 'refused') say(outcome.why);
          });
        }}
      />
      <ProvenanceMark provenance={setByYou} />
    </div>
  );
}

function Coaches({
  me,
  coaches,
  today,
  onCode,
}: {
  me: string;
  coaches: readonly CoachShown[];
  today: string;
  onCode: (code: string, whose: string) => void;
}) {
  const [name, setName] = useState('');
  const there = coaches.filter(({ until }) => until === null);
  return (
    <Part id="coaches" title="Who coaches here">
      <ul className="mb-6">
        {coaches.map((coach) => (
          <li key={coach.id} className="border-t border-rule py-1">
            <div className="flex min-h-11 flex-wrap items-center justify-between gap-x-6">
              <span>
                {coach.name}
                {coach.role === 'owner' && ' (owner)'}
              </span>
              <span className="text-ink2">
                {coach.until === null
                  ? `since ${dayInWords(coach.since, today)}`
                  : `left ${dayInWords(coach.until, today)}; what they recorded stays`}
              </span>
            </div>
            {coach.until === null && coach.id !== me && (
              <EndAccess coach={coach} others={there.filter(({ id }) => id !== coach.id)} />
            )}
          </li>
        ))}
      </ul>
      <h3 className="mb-2 text-base">Take in a coach</h3>
      <p className="mb-2 text-sm text-ink2">
        They see the clients they add, and those shared with or handed to them. Tell them the passphrase by word of
        mouth; they set one of their own before anything opens.
      </p>
      <div className="max-w-md" onChange={(event) => setName(nameIn(event.target as HTMLElement) ?? name)}>
        <AccessForm
          ask="addCoach"
          button="Take them in"
          busy="Taking them in…"
          onDone={(told) => onCode(told.code ?? '', name)}
        >
          <NameField label="Their name" />
          <NewPassphrase label="Their first passphrase" />
        </AccessForm>
      </div>
    </Part>
  );
}

const nameIn = (element: HTMLElement) =>
  element instanceof HTMLInputElement && element.name === 'name' ? element.value : null;

function EndAccess({ coach, others }: { coach: CoachShown; others: readonly CoachShown[] }) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const [to, setTo] = useState('');
  const [why, setWhy] = useState<string | null>(null);
  if (!open) {
    return (
      <Button look="quiet" className="px-0" onClick={() => setOpen(true)}>
        End {coach.name}’s access
      </Button>
    );
  }
  const end = async () => {
    if (to === '') return setWhy('Choose who their clients go to.');
    const told = await askAccess('endCoach', { coachId: coach.id, handTo: to });
    if (!told.ok) return setWhy(told.why);
    setOpen(false);
    router.refresh();
  };
  return (
    <div className="mb-3 flex max-w-lg flex-wrap items-end gap-3">
      <NamedSelect
        label={`${coach.name}’s clients go to`}
        value={to}
        choices={others.map(({ id, name }) => [id, name] as const)}
        none="Choose"
        error={why}
        onChange={(next) => {
          setTo(next);
          setWhy(null);
        }}
      />
      <Button look="stop" onClick={() => void end()}>
        End their access
      </Button>
      <Button look="quiet" onClick={() => setOpen(false)}>
        Leave it
      </Button>
    </div>
  );
}
