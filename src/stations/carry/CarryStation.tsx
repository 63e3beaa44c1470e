'use client';

import dynamic from 'next/dynamic';
import { memo } from 'react';
import { summariseRun, stateOf } from '@/core/coach';
import { durationInWords } from '@/core/dose';
import {
  type HomeOffer,
  dayInPlainWords,
  dayTotals,
  homeFaults,
  homeOffers,
  mostItems,
  stopWords,
  usualAtHome,
  withdrawnOf,
} from '@/core/home';
import { drillOf } from '@/core/sequence';
import { Button, LinkButton } from '@/parts/Button';
import { ChoiceChips } from '@/parts/Chips';
import { Field, TextInput } from '@/parts/Field';
import { EmptyState, Notice } from '@/parts/Notice';
import { patiently } from '@/parts/patiently';
import { useDraft } from '@/parts/useDraft';
import { PathStop } from '../PathStop';
import { StationHead } from '../StationHead';
import { shownWeek } from '../shownWeek';
import { drawnAsShown } from '../useShown';
import { type ClientView } from '../view';
import { DayLine } from './DayLine';
import { ItemColumn } from './ItemColumn';
import { type Home, useHome } from './useHome';

// Sheets, sound and codes stand at the foot of the page, and weigh more than the rest of it.
const GoesOut = memo(
  dynamic(() => patiently(() => import('./GoesOut')).then(({ GoesOut }) => GoesOut), {
    loading: () => <div className="min-h-96" />,
  }),
);
const HomeLink = memo(
  dynamic(() => patiently(() => import('./HomeLink')).then(({ HomeLink }) => HomeLink), {
    loading: () => <div className="min-h-48" />,
  }),
);

/** Carry home: at most three things, when in the day, and what of it goes out of the door. */
export const CarryStation = drawnAsShown(function CarryStation({
  view,
  before,
  link,
}: {
  view: ClientView<'runs'>;
  /** Drills done at an earlier visit: holds and leans never go home after the first. */
  before: readonly string[];
  /** The link by which they say how it goes: until when one made before opens, and whether a phone can open it. */
  link: { standing: string | null; elsewhere: string | null };
}) {
  if (!view.visit || (view.visit.runs.length === 0 && !view.visit.home)) {
    return (
      <EmptyState title="Nothing was done yet that could go home.">
        <LinkButton href={`/clients/${view.id}/coach`} look="strong">
          Go to Coach
        </LinkButton>
      </EmptyState>
    );
  }
  if (view.path.state !== 'open') return <PathStop view={view} as="h2" />;
  return <Carry view={view} before={before} link={link} />;
});

function Carry({
  view,
  before,
  link,
}: { view: ClientView<'runs'> } & Omit<Parameters<typeof CarryStation>[0], 'view'>) {
  const visit = view.visit!;
  const home = useHome(view);
  const { plan } = home;
  const totals = dayTotals(plan);
  const offers = homeOffers(
    visit.runs.flatMap((run) => summariseRun(stateOf(run), visit.clientId).items),
    view.gates,
    usualAtHome,
    before,
  );
  const off = withdrawnOf(plan.items, view.gates);
  const { homeMinutes, homeBreaths } = view.settings;
  const faults = homeFaults(plan, { minutes: homeMinutes, breaths: homeBreaths });
  const whyOf = (id: string) => offers.find((offer) => offer.home.id === id)?.reasons ?? [];
  const stopped = off.length > 0 ? `${off[0]!.name} can’t go home: ${off[0]!.why}` : (faults[0]?.what ?? null);
  return (
    // On paper there is only the sheet, which stands beside this.
    <div className="screen-only">
      <StationHead
        title={`${dayInPlainWords(totals)}.`}
        line={
          totals.goes === 0
            ? 'Choose at most three things that went well.'
            : `${durationInWords(totals.seconds)} and ${totals.breaths} breaths a day; ${durationInWords(totals.week.seconds)} and ${totals.week.breaths} breaths a week. With getting into position ${durationInWords(totals.withSetUpSeconds)} a day.`
        }
      >
        <LinkButton href={`/clients/${view.id}/track`}>On to Track</LinkButton>
      </StationHead>
      {off.map(({ id, name, why }) => (
        <div key={id} className="mb-3">
          <Notice kind="stop" title={`${name} is taken back.`}>
            <p>{why} Tell them not to do it any more.</p>
            <Button className="mt-2" onClick={() => home.takeOut(id)}>
              Take it out
            </Button>
          </Notice>
        </div>
      ))}
      {plan.items.length > 0 && <DayLine home={home} />}
      <ol className="mt-5 grid gap-6 md:grid-cols-2 xl:grid-cols-3">
        {plan.items.map((one, at) => (
          <ItemColumn
            key={one.id}
            one={one}
            number={at + 1}
            home={home}
            gates={view.gates}
            weights={view.settings.weightUnit}
            why={whyOf(one.id)}
            {...shownWeek(view)}
          />
        ))}
      </ol>
      {plan.items.length > mostItems && <Reason home={home} />}
      {home.error && (
        <p role="alert" className="mt-3 font-semibold">
          {home.error}
        </p>
      )}
      <Offers
        closed={visit.note?.home ?? []}
        offers={offers.filter(({ home: one }) => !plan.items.some(({ id }) => id === one.id))}
        home={home}
      />
      {plan.items.length > 0 && (
        <>
          <Hours home={home} />
          <p className="mt-4 border-l-4 border-stop pl-3">{stopWords} This is printed with it.</p>
          <GoesOut view={view} plan={plan} stopped={stopped} />
          <HomeLink visitId={visit.id} handed={(visit.home?.handedAt ?? null) !== null} {...link} />
        </>
      )}
    </div>
  );
}

/** What was done today and could go home, the best first, with why; what can't go says why not. */
function Offers({
  offers,
  home,
  closed,
}: {
  offers: readonly HomeOffer[];
  home: Home;
  /** Drills that were ticked at the close already. */
  closed: readonly string[];
}) {
  if (offers.length === 0) return null;
  const can = offers.filter(({ off }) => off === null);
  const ticked = can.filter(({ home: one }) => closed.includes(one.item.drillId));
  const best = (ticked.length > 0 ? ticked : can.filter(({ worth }) => worth > 0)).slice(0, mostItems);
  return (
    <section aria-labelledby="offers" className="mt-6 border-t border-rule pt-3">
      <h2 id="offers" className="text-lg">
        {home.plan.items.length === 0 ? 'Done today' : 'Done today, left out'}
      </h2>
      {home.plan.items.length === 0 && best.length > 0 && (
        <Button look="strong" className="my-2" onClick={() => home.addAll(best.map(({ home: one }) => one))}>
          {`Send ${best.length === 1 ? 'this one' : `these ${best.length}`} home: ${best.map(({ home: one }) => drillOf(one.item).name).join(', ')}`}
        </Button>
      )}
      <ul>
        {offers.map(({ home: one, reasons, off }) => (
          <li key={one.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule py-1.5">
            <span className="grow">
              <strong>{drillOf(one.item).name}</strong>
              <span className="text-ink2">
                , {one.item.position}
                {reasons.length > 0 && `: ${reasons.join('; ')}`}
              </span>
              {off && <span className="block text-caution">▲ {off}</span>}
            </span>
            {!off && <Button onClick={() => home.add(one)}>Send it home</Button>}
          </li>
        ))}
      </ul>
    </section>
  );
}

function Reason({ home }: { home: Home }) {
  const { value, change, commit } = useDraft(home.plan.moreReason, (moreReason) => home.change({ moreReason }));
  return (
    <div className="mt-4 max-w-xl">
      <Field label={`Why more than ${mostItems} go home`}>
        {(ids) => (
          <TextInput
            {...ids}
            maxLength={200}
            value={value}
            onChange={(event) => change(event.target.value)}
            onBlur={commit}
          />
        )}
      </Field>
    </div>
  );
}

/** When they are up, and when they sit for long. */
function Hours({ home }: { home: Home }) {
  const { plan } = home;
  return (
    <fieldset className="mt-6 flex flex-wrap items-end gap-4 border-t border-rule pt-3">
      <legend className="sr-only">Their day</legend>
      <ChoiceChips
        label="Reminded by"
        value={plan.remind ?? null}
        choices={[
          { value: 'alarms', label: 'Alarms on the phone' },
          { value: 'things', label: 'Things passed anyway' },
        ]}
        onChange={(remind) => home.change({ remind })}
      />
      <Time label="Up at" value={plan.wakes} onChange={(wakes) => home.change({ wakes })} />
      <Time label="Asleep at" value={plan.sleeps} onChange={(sleeps) => home.change({ sleeps })} />
      {plan.sits ? (
        <>
          <Time label="Sits from" value={plan.sits.from} onChange={(from) => home.changeSits({ from })} />
          <Time label="Sits to" value={plan.sits.to} onChange={(to) => home.changeSits({ to })} />
          <Button onClick={() => home.change({ sits: null })}>Doesn’t sit for long</Button>
        </>
      ) : (
        <Button onClick={() => home.change({ sits: { from: '09:00', to: '17:00' } })}>Sits for long</Button>
      )}
    </fieldset>
  );
}

/** A time of the clock. Half typed it is no time yet, and the one before stays. */
function Time({ label, value, onChange }: { label: string; value: string; onChange: (value: string) => void }) {
  const draft = useDraft(value, (next) => (/^\d\d:\d\d$/.test(next) ? onChange(next) : undefined));
  return (
    <label>
      <span className="text-sm text-ink2">{label}</span>
      <TextInput
        type="time"
        step={900}
        required
        value={draft.value}
        onChange={(event) => draft.change(event.target.value)}
        onBlur={draft.commit}
      />
    </label>
  );
}
