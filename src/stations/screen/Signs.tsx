'use client';

import { useState } from 'react';
import { lowered } from '@/core/reasons';
import {
  type ConditionId,
  type Sign,
  type SignsAnswer,
  conditionRules,
  conditionsWithSigns,
  emergencySigns,
  rateSign,
  redFlags,
  signContextsOf,
  signInWords,
} from '@/core/safety';
import { dayInWords } from '@/core/record';
import { newId, send } from '@/keep';
import { Button } from '@/parts/Button';
import { TickChips } from '@/parts/Chips';
import { Field, TextArea, TextInput } from '@/parts/Field';
import { Notice } from '@/parts/Notice';
import { say } from '@/parts/say';
import { useKept } from '@/parts/useKept';
import { EmergencyCard } from '../EmergencyCard';
import { type ClientView } from '../view';
import { useFact } from '../useFact';

/** Which signs to ask: those of pregnancy and birth unless both were answered no. */
function signsFor(view: ClientView, all: readonly Sign[]): Sign[] {
  const contexts = signContextsOf(view.known.profile.answers);
  return all.filter(({ context }) => contexts.includes(context));
}

/** Asked today, with the signs of everything that has been told by now. */
const askedToday = (answer: SignsAnswer | null, view: ClientView) =>
  answer !== null &&
  answer.day >= view.today &&
  signContextsOf(view.known.profile.answers).every((context) => answer.contexts.includes(context));

/** Emergency signs and red flags, asked first at every visit. */
export function Signs({ view }: { view: ClientView }) {
  const { emergency, redFlags: flags } = view.known.profile;
  const both = askedToday(emergency, view) && askedToday(flags, view);
  const anyOpen = [emergency, flags].some((answer) => answer && answer.present.length > 0 && !answer.clearance);
  // The card of an emergency closes before the answer comes: a refusal is shown on whatever page is open.
  const askEmergency = useFact(view.id, 'emergency', view.known.latest.emergency, { shownHere: false });
  const askFlags = useFact(view.id, 'redFlags', view.known.latest.redFlags);

  const { answers } = view.known.profile;
  const untold = conditionsWithSigns.filter((id) => answers[id] === undefined);
  const rateFlagged = view.path.state === 'red flag' && view.path.signs.includes(rateSign);

  const changed = useFact(view.id, 'whatChanged', view.known.latest.whatChanged, { shownHere: false });
  const none = () => {
    void askEmergency.record({ present: [] });
    void askFlags.record({ present: [] });
  };
  // The three questions of a return visit in one press; what changed is asked beside it as long as it is open.
  const { whatChanged } = view.known.profile;
  const returns = view.last !== null && !(whatChanged && whatChanged.day >= view.today);

  const lists = (
    <>
      <Emergency view={view} record={askEmergency.record} />
      <RedFlags view={view} record={askFlags.record} error={askFlags.error} />
    </>
  );

  return (
    <section aria-labelledby="signs" className="border-t border-ink pt-4">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <div>
          <h2 id="signs" className="text-lg">
            Today’s signs
          </h2>
          <p className="text-ink2">Ask before anything else, at every visit. Tap one that is there.</p>
        </div>
        {both && !anyOpen ? (
          <p className="font-semibold">Asked today: none.</p>
        ) : (
          !anyOpen && (
            <div className="flex flex-wrap gap-2">
              {returns && (
                <Button
                  look={view.visit ? 'strong' : 'plain'}
                  disabled={untold.length > 0}
                  onClick={() => {
                    none();
                    void changed.record({ changed: 'nothing' });
                  }}
                >
                  None of these, and nothing changed since {dayInWords(view.last!.day, view.today)}
                </Button>
              )}
              <Button look={view.visit && !returns ? 'strong' : 'plain'} disabled={untold.length > 0} onClick={none}>
                None of these today
              </Button>
            </div>
          )
        )}
      </div>
      {untold.length > 0 && <BeforeTheSigns view={view} untold={untold} />}
      {rateFlagged && (
        <div className="mt-3">
          <Clearance
            view={view}
            factKey="rateClearance"
            title={`Not today: ${lowered(view.path.reasons[0]!.what)} Refer.`}
          />
        </div>
      )}
      {both && !anyOpen ? (
        <details className="mt-2">
          <summary className="flex min-h-11 cursor-pointer items-center text-ink2">Something came up after all</summary>
          {lists}
        </details>
      ) : (
        lists
      )}
    </section>
  );
}

function Emergency({ view, record }: { view: ClientView; record: (value: unknown) => Promise<string | null> }) {
  const [asked, setAsked] = useState<string | null>(null);
  const earlier = view.known.profile.emergency;
  const open = earlier && earlier.present.length > 0 && !earlier.clearance ? earlier : null;
  return (
    <div className="mt-4">
      <h3 className="text-base text-stop dark:text-ink">Emergency: stop, urgent help</h3>
      <div className="mt-2 flex flex-wrap gap-2">
        {signsFor(view, emergencySigns).map(({ id, words }) => (
          <button
            key={id}
            type="button"
            onClick={() => setAsked(id)}
            className="min-h-11 rounded-one border border-stop px-3 py-1.5 text-left hover:bg-leaf"
          >
            {words}
          </button>
        ))}
      </div>
      <EmergencyCard
        sign={asked}
        emergencyNumber={view.settings.emergencyNumber}
        onHappening={(id) => {
          void record({ present: [id] });
          setAsked(null);
        }}
        onMistake={() => setAsked(null)}
      />
      {open && open.since !== view.today && (
        <div className="mt-3">
          <Clearance
            view={view}
            factKey="emergencyClearance"
            title={`Emergency sign on ${dayInWords(open.since, view.today)}: ${open.present.map(signInWords).join('; ')}`}
          />
        </div>
      )}
    </div>
  );
}

function RedFlags({
  view,
  record,
  error,
}: {
  view: ClientView;
  record: (value: unknown) => Promise<string | null>;
  error: string | null;
}) {
  const answer = view.known.profile.redFlags;
  const open = answer && answer.present.length > 0 && !answer.clearance ? answer : null;

  const change = async (present: string[]) => {
    // A flag is lifted by a clinician's word, not by a second tap. One of today may have been a slip; of several the newest would go.
    if (open && open.present.some((id) => !present.includes(id))) {
      const { recordId: factId } = open;
      const slip = open.since >= view.today && open.present.length === 1;
      if (!slip) return say('A red flag stays until it is cleared below.');
      return say('A red flag stays until it is cleared below. Tapped by mistake?', () =>
        send('fact.retract', { factId }),
      );
    }
    const factId = await record({ present });
    if (factId) say('Red flag recorded: no drills today.', () => send('fact.retract', { factId }));
  };

  return (
    <div className="mt-5">
      <h3 className="text-base">Red flags: no drills today, refer</h3>
      <div className="mt-2">
        <TickChips
          label="Red flags"
          hideLabel
          values={open ? [...open.present] : []}
          choices={signsFor(view, redFlags).map(({ id, words }) => ({ value: id, label: words }))}
          onChange={(present) => void change(present)}
        />
      </div>
      {error && <p role="alert">{error}</p>}
      {open && (
        <div className="mt-3">
          <Clearance
            view={view}
            factKey="redFlagClearance"
            title={`Not today: ${open.present.map(signInWords).join('; ')}. Refer.`}
          />
        </div>
      )}
      {answer?.clearance && answer.present.length > 0 && (
        <p className="mt-2 text-ink2">
          {answer.present.map(signInWords).join('; ')}: cleared by {answer.clearance.clinician} on{' '}
          {dayInWords(answer.clearance.day, view.today)}, “{answer.clearance.reason}”
        </p>
      )}
    </div>
  );
}

const tellings = [
  ['Neither', null],
  ['Pregnant', 'pregnancy'],
  ['Given birth', 'recentBirth'],
] as const;

/** Pregnancy and birth have signs of their own: who could have them is asked before “none” can be said. */
function BeforeTheSigns({ view, untold }: { view: ClientView; untold: readonly ConditionId[] }) {
  const tell = (yes: ConditionId | null) => {
    const factIds = untold.map((id) => {
      const factId = newId();
      const value = { value: id === yes ? 'yes' : 'no' };
      send('fact.add', { factId, clientId: view.id, key: `answer:${id}`, value, basedOn: null });
      return factId;
    });
    say(yes === null ? 'Answered: neither.' : 'Answered. The week or the day goes in below.', () => {
      for (const factId of factIds) send('fact.retract', { factId });
    });
  };
  const open = tellings.filter(([, id]) => id === null || untold.includes(id));
  return (
    <div className="mt-3 flex flex-wrap items-center gap-3 border-l-4 border-caution pl-3">
      <p className="font-semibold">First: {untold.map((id) => conditionRules[id]!.signs!.asked).join(', or ')}?</p>
      {open.map(([label, id]) => (
        <Button key={label} onClick={() => tell(id)}>
          {untold.length === 1 && id === null ? 'No' : label}
        </Button>
      ))}
    </div>
  );
}

/** Going on after a sign: a reason and a clinician's name, both kept. */
function Clearance({
  view,
  factKey,
  title,
}: {
  view: ClientView;
  factKey: 'emergencyClearance' | 'redFlagClearance' | 'rateClearance';
  title: string;
}) {
  const { record, error } = useFact(view.id, factKey, view.known.latest[factKey]);
  const draft = `kokyu.${factKey}.${view.id}`;
  const [clinician, setClinician] = useKept(`${draft}.clinician`);
  const [reason, setReason] = useKept(`${draft}.reason`);
  const clear = async () => {
    if ((await record({ clinician, reason })) === null) return;
    setClinician('');
    setReason('');
  };
  return (
    <Notice kind="stop" title={title}>
      <form
        className="mt-2 grid gap-3 md:grid-cols-2"
        onSubmit={(event) => {
          event.preventDefault();
          void clear();
        }}
      >
        <p className="text-ink2 md:col-span-2">
          The right way on is a referral. Only a licensed clinician can clear it; local rules come first. What you write
          here is kept with the day.
        </p>
        <Field label="Clinician who cleared it">
          {(ids) => <TextInput {...ids} value={clinician} onChange={(event) => setClinician(event.target.value)} />}
        </Field>
        <Field label="Why going on is all right">
          {(ids) => <TextArea {...ids} rows={2} value={reason} onChange={(event) => setReason(event.target.value)} />}
        </Field>
        {error && (
          <p role="alert" className="font-semibold md:col-span-2">
            {error}
          </p>
        )}
        <div className="md:col-span-2">
          <Button type="submit">Record the clearance and go on</Button>
        </div>
      </form>
    </Notice>
  );
}
