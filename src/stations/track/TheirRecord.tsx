'use client';

import { useRouter } from 'next/navigation';
import { type ReactNode, useState } from 'react';
import { type Care } from '@/core/access';
import { dayInWords } from '@/core/record';
import { type Told, askAccess, useKeep } from '@/keep';
import { Button } from '@/parts/Button';
import { Field, NamedSelect, TextInput } from '@/parts/Field';
import { Fold } from '@/parts/Fold';
import { Notice } from '@/parts/Notice';
import { say } from '@/parts/say';
import { StationHead } from '../StationHead';
import { EverythingKept } from './EverythingKept';
import { TrackNav } from './TrackNav';

interface Carer {
  id: string;
  name: string;
  kind: Care;
}

interface TrailLine {
  seq: number;
  /** When, in the studio's zone, in words. */
  at: string;
  coach: string | null;
  what: string;
}

const Part = ({ id, title, children }: { id: string; title: string; children: ReactNode }) => (
  <section aria-labelledby={id} className="mt-8 border-t border-ink pt-4">
    <h2 id={id} className="text-lg">
      {title}
    </h2>
    {children}
  </section>
);

/** The record itself: who sees it, who opened and changed it, taking it out, putting the client away, deleting them. */
export function TheirRecord({
  clientId,
  name,
  visit,
  away,
  care,
  trail,
  broken,
  today,
}: {
  clientId: string;
  name: string;
  visit: boolean;
  /** The day they were put away, or null. */
  away: string | null;
  /** Null while the studio has no passphrase. */
  care: { carers: readonly Carer[]; others: readonly { id: string; name: string }[]; mayGive: boolean } | null;
  trail: readonly TrailLine[];
  /** Whether an entry of the trail was changed or taken out. */
  broken: boolean;
  today: string;
}) {
  return (
    <div>
      <StationHead title="Their record" line="What is kept of them, who sees it, and what was done with it.">
        <TrackNav clientId={clientId} on="record" visit={visit} />
      </StationHead>
      {away && (
        <Notice title={`Put away on ${dayInWords(away, today)}`}>
          {name} is in no list but that of those put away. Beginning a visit or booking a time brings them back.
        </Notice>
      )}
      {care && <WhoSees clientId={clientId} {...care} />}
      <EverythingKept clientId={clientId} />
      <Part id="trail" title="Who opened and changed it">
        {broken && (
          <div className="my-2">
            <Notice kind="stop" title="The trail is not whole">
              An entry was changed or taken out, outside Kokyu. What comes before it can still be read.
            </Notice>
          </div>
        )}
        {trail.length === 0 ? (
          <p className="text-ink2">Nothing yet: what was done before the trail was kept is not in it.</p>
        ) : (
          <Fold title={`${trail.length} entries, the newest first`}>
            <ol>
              {trail.map(({ seq, at, coach, what }) => (
                <li key={seq} className="flex flex-wrap gap-x-4 border-t border-rule py-1">
                  <span className="w-44 text-ink2 tabular-nums">{at}</span>
                  <span className="w-40 truncate">{coach ?? 'at this machine'}</span>
                  <span>{what}</span>
                </li>
              ))}
            </ol>
          </Fold>
        )}
        <p className="mt-2 text-sm text-ink2">
          Opening is told once a quarter of an hour. Each entry is sealed with the one before it, so that one changed or
          taken out shows.
        </p>
      </Part>
      <PutAway clientId={clientId} name={name} away={away !== null} mayDelete={care?.mayGive ?? true} />
    </div>
  );
}

function WhoSees({
  clientId,
  carers,
  others,
  mayGive,
}: {
  clientId: string;
  carers: readonly Carer[];
  others: readonly { id: string; name: string }[];
  mayGive: boolean;
}) {
  const router = useRouter();
  const [to, setTo] = useState('');
  const [why, setWhy] = useState<string | null>(null);
  const ask = (asked: Promise<Told>, done: string) =>
    void asked.then((told) => {
      setWhy(told.ok ? null : told.why);
      if (told.ok) say(done);
      setTo('');
      router.refresh();
    });
  const named = (id: string) => others.find((one) => one.id === id)?.name ?? '';
  return (
    <Part id="who" title="Who sees it">
      <ul className="max-w-xl">
        {carers.map(({ id, name, kind }) => (
          <li key={id} className="flex min-h-11 flex-wrap items-center justify-between gap-x-6 border-t border-rule">
            <span>{name}</span>
            <span className="text-ink2">{kind === 'own' ? 'their coach' : 'shared with'}</span>
            {kind === 'shared' && mayGive && (
              <Button
                look="quiet"
                onClick={() => ask(askAccess('unshare', { clientId, coachId: id }), `${name} no longer sees them.`)}
              >
                No longer
              </Button>
            )}
          </li>
        ))}
      </ul>
      <p className="mt-1 text-sm text-ink2">The owner of the studio sees every client.</p>
      {mayGive && others.length > 0 && (
        <div className="mt-3 flex max-w-2xl flex-wrap items-end gap-3">
          <NamedSelect
            label="Another coach"
            value={to}
            choices={others.map(({ id, name }) => [id, name] as const)}
            none="Choose"
            error={why}
            onChange={setTo}
          />
          <Button
            disabled={to === ''}
            onClick={() => ask(askAccess('share', { clientId, coachId: to }), `${named(to)} sees them too.`)}
          >
            Share with them
          </Button>
          <Button
            disabled={to === ''}
            onClick={() => ask(askAccess('handOver', { clientId, coachId: to }), `Handed over to ${named(to)}.`)}
          >
            Hand over to them
          </Button>
        </div>
      )}
    </Part>
  );
}

/** Drafts of theirs in this browser go with them. */
function forgetHere(clientId: string) {
  for (const storage of [localStorage, sessionStorage]) {
    for (const key of Object.keys(storage)) {
      if (key.includes(clientId) || storage.getItem(key)?.includes(clientId)) storage.removeItem(key);
    }
  }
}

function PutAway({
  clientId,
  name,
  away,
  mayDelete,
}: {
  clientId: string;
  name: string;
  away: boolean;
  mayDelete: boolean;
}) {
  const router = useRouter();
  const keep = useKeep();
  const [typed, setTyped] = useState('');
  const [why, setWhy] = useState<string | null>(null);
  const [asking, setAsking] = useState(false);
  const turn = async () => {
    const outcome = await keep(away ? 'client.restore' : 'client.archive', { clientId });
    if (outcome.state === 'refused') say(outcome.why);
    router.refresh();
  };
  const remove = async () => {
    setAsking(true);
    const outcome = await keep('client.delete', { clientId, name: typed });
    setAsking(false);
    if (outcome.state === 'refused') return setWhy(outcome.why);
    forgetHere(clientId);
    location.assign('/clients');
  };
  return (
    <Part id="away" title="Putting away, and deleting">
      <p className="mt-1">
        {away
          ? 'They are put away; everything of them is here.'
          : 'Put away, they are in no list any more; everything of them stays, and they come back with one press.'}
      </p>
      <Button className="mt-2" onClick={() => void turn()}>
        {away ? 'Bring them back' : 'Put them away'}
      </Button>
      {mayDelete && (
        <div className="mt-5">
          <Fold title="Delete them for good">
            <div className="max-w-xl space-y-3 py-2">
              <p>
                Everything of {name} goes: answers, visits, looks, plans, runs, notes, bookings, pictures. Take their
                record out first if anybody may need it. What remains is that somebody was deleted, when and by whom,
                without a name. Copies of the studio that were made before still hold them until those are cleared away,
                after a year at the latest.
              </p>
              <Field label={`Type their name to delete them: ${name}`} error={why}>
                {(ids) => (
                  <TextInput
                    {...ids}
                    value={typed}
                    autoComplete="off"
                    onChange={(event) => {
                      setTyped(event.target.value);
                      setWhy(null);
                    }}
                  />
                )}
              </Field>
              <Button look="stop" disabled={asking || typed.trim() === ''} onClick={() => void remove()}>
                {asking ? 'Deleting…' : 'Delete everything of them'}
              </Button>
            </div>
          </Fold>
        </div>
      )}
    </Part>
  );
}
