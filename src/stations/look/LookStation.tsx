'use client';

import { Check } from 'lucide-react';
import { Link } from '@/parts/Link';
import { useSearchParams } from 'next/navigation';
import { type ReactNode } from 'react';
import {
  type FormProtocol,
  type LookList,
  type ProtocolId,
  asLastTime,
  expectedMinutes,
  formProtocols,
  ledBy,
  lookList,
  lookResult,
  lookSetIds,
  lookSets,
  newest,
  protocolIds,
  protocols,
  setUpFor,
  testVerdict,
} from '@/core/look';
import { listed, lowered } from '@/core/reasons';
import { openStations } from '@/core/safety';
import { send } from '@/keep';
import { LinkButton } from '@/parts/Button';
import { Fence } from '@/parts/Fence';
import { ChoiceChips } from '@/parts/Chips';
import { EmptyState } from '@/parts/Notice';
import { WayOn } from '@/parts/WayOn';
import { LateLookPicture } from '@/parts/figures/LateLookPicture';
import { BeginVisit } from '../BeginVisit';
import { PathStop } from '../PathStop';
import { StationHead } from '../StationHead';
import { drawnAsShown } from '../useShown';
import { type ClientView } from '../view';
import { AgainProvider } from '../taking/again';
import { ArrangeLooks } from './ArrangeLooks';
import { CalmHold } from './CalmHold';
import { FingerGap } from './FingerGap';
import { FormLook } from './FormLook';
import { Gated } from '../taking/Gated';
import { Marker } from '../taking/Marker';
import { PostureSearch } from './PostureSearch';
import { QuestionnaireLook } from './QuestionnaireLook';
import { QuietLook } from './QuietLook';
import { RegionMap } from '../taking/RegionMap';
import { Stack } from './Stack';
import { Tape } from './Tape';
import { TwoLine } from './TwoLine';
import { allowedPositions } from '../taking/useLook';

/** The screens of the protocols; one that is not here is entered by its fields alone. */
const screens: Partial<
  Record<ProtocolId, (props: { view: ClientView<'looks' | 'holdsBefore' | 'remembered'> }) => ReactNode>
> = {
  quietLook: QuietLook,
  regionMap: RegionMap,
  tape: Tape,
  twoLine: TwoLine,
  fingerGap: FingerGap,
  postureSearch: PostureSearch,
  stack: Stack,
  calmHold: CalmHold,
  questionnaire: QuestionnaireLook,
  marker: Marker,
};

const ledProtocols = (view: ClientView) => ledBy(view.known).map(({ protocol }) => protocol);

/** The looks of this visit: as chosen, else a first look, or what was marked last time. */
export function listOf(view: ClientView<'remembered'>): LookList {
  const usual = lookList(view.last !== null ? 'recheck' : 'first', view.markedLast, ledProtocols(view));
  return view.visit?.lookList ?? asLastTime(usual, view.remembered.order);
}

/** Look: watch first, then measure. One protocol at a time; any of them can be left out, moved or added. */
export const LookStation = drawnAsShown(function LookStation({
  view,
}: {
  view: ClientView<'looks' | 'holdsBefore' | 'remembered'>;
}) {
  const search = useSearchParams();
  const asked = search.get('protocol');
  const { visit } = view;
  // Closed by what was just said, whatever the page was made with.
  if (!openStations[view.path.state].includes('look')) return <PathStop view={view} />;
  if (!visit) {
    return (
      <EmptyState title="Today’s visit has not begun.">
        <BeginVisit clientId={view.id} />
      </EmptyState>
    );
  }
  const list = listOf(view);
  const done = (id: ProtocolId) => newest(visit.looks, id, 'before');
  // What was looked at without being on the list, or is looked at now, stands on it too.
  const shown = [
    ...list.protocols,
    ...protocolIds.filter((id) => !list.protocols.includes(id) && (done(id) !== null || id === asked)),
  ];
  const current: ProtocolId = protocolIds.find((id) => id === asked) ?? shown[0] ?? 'quietLook';
  const protocol = protocols[current];
  const next = shown[shown.indexOf(current) + 1];
  const Screen = screens[current];
  const takenBefore = protocols[current].takenTwice === true && done(current) !== null;
  const again = takenBefore && search.get('again') !== null;
  const led = ledBy(view.known).filter(({ protocol: id }) => shown.includes(id));
  const open = shown.filter((id) => done(id) === null);
  const choose = (chosen: LookList) =>
    send('visit.lookList', { visitId: visit.id, list: { ...chosen, protocols: [...chosen.protocols] } });
  return (
    <div className="gap-8 xl:grid xl:grid-cols-[14rem_minmax(0,1fr)]">
      <div className="mb-4 border-b border-rule pb-3 xl:mb-0 xl:border-r xl:border-b-0 xl:pr-4">
        <ChoiceChips
          label="Set"
          hideLabel
          value={list.set}
          choices={lookSetIds.map((id) => ({ value: id, label: lookSets[id].name.replace(' look', '') }))}
          onChange={(set) => choose(lookList(set, view.markedLast, ledProtocols(view)))}
        />
        <p className="mt-1 text-sm text-ink2">
          {lookSets[list.set].line} About {Math.round(expectedMinutes(shown))} min
          {open.length < shown.length && open.length > 0 ? `, ${Math.ceil(expectedMinutes(open))} left` : ''}.
        </p>
        {led.length > 0 && (
          <p className="mt-1 text-sm text-ink2">
            For {listed([...new Set(led.map(({ because }) => because))])}:{' '}
            {listed(led.map(({ protocol: id }) => lowered(protocols[id].name)))}.
          </p>
        )}
        <nav aria-label="Looks" className="mt-2 flex flex-wrap gap-x-5 xl:block">
          {shown.map((id) => (
            <LookLink key={id} view={view} id={id} current={id === current} />
          ))}
        </nav>
        <ArrangeLooks list={list} onChange={choose} />
      </div>
      <div className="min-w-0">
        <div className="flex items-start justify-between gap-6">
          <StationHead
            title={protocol.name}
            line={setUpFor(current, allowedPositions(view, current), view.known.profile.touch)}
          />
          {protocol.picture && (
            <LateLookPicture picture={protocol.picture} className="-mt-1 hidden h-36 shrink-0 md:flex" />
          )}
        </div>
        {takenBefore && <Readings href={`/clients/${view.id}/look?protocol=${current}`} again={again} />}
        <AgainProvider value={again}>
          <Gated key={`${current} ${again}`} view={view} id={current}>
            <Fence what={protocol.name}>
              {Screen ? <Screen view={view} /> : isForm(current) && <FormLook view={view} protocol={current} />}
            </Fence>
          </Gated>
        </AgainProvider>
        <WayOn>
          <p className="min-w-48 flex-1 text-sm text-ink2">{protocol.means}</p>
          {next && (
            <LinkButton href={`/clients/${view.id}/look?protocol=${next}`} look="strong" data-way-on>
              Next: {protocols[next].name}
            </LinkButton>
          )}
          <LinkButton
            href={`/clients/${view.id}/read`}
            look={next ? 'plain' : 'strong'}
            {...(next ? {} : { 'data-way-on': true })}
          >
            On to Read
          </LinkButton>
        </WayOn>
      </div>
    </div>
  );
});

/** The way to a second reading of a look, and back to the first. */
function Readings({ href, again }: { href: string; again: boolean }) {
  const of = (here: boolean) =>
    `flex min-h-11 items-center border-b-2 ${here ? 'border-ink font-semibold' : 'border-transparent text-ink2 hover:text-ink'}`;
  return (
    <nav aria-label="Readings" className="mb-4 flex flex-wrap items-center gap-x-5">
      <Link href={href} aria-current={again ? undefined : 'page'} className={of(!again)}>
        First reading
      </Link>
      <Link href={`${href}&again=1`} aria-current={again ? 'page' : undefined} className={of(again)}>
        Take it a second time
      </Link>
      {again && (
        <p className="text-sm text-ink2">
          As if for the first time. Both count; where they differ, neither is believed whole.
        </p>
      )}
    </nav>
  );
}

const isForm = (id: ProtocolId): id is FormProtocol => formProtocols.includes(id as FormProtocol);

/** One look on the list: done with its result, off today, or still to do. */
function LookLink({ view, id, current }: { view: ClientView<'looks'>; id: ProtocolId; current: boolean }) {
  const record = newest(view.visit!.looks, id, 'before');
  const result = record && lookResult(record);
  const off = !testVerdict(view.gates, protocols[id].components).allowed;
  return (
    <Link
      href={`/clients/${view.id}/look?protocol=${id}`}
      aria-current={current ? 'page' : undefined}
      className={`flex min-h-11 items-center gap-2 border-b-2 py-1 leading-tight xl:border-b-0 xl:border-l-4 xl:pl-2.5 ${
        current ? 'border-ink font-semibold' : 'border-transparent text-ink2 hover:text-ink'
      }`}
    >
      <span className="-ml-1 w-4 shrink-0">{record && <Check size={16} aria-label="done" />}</span>
      <span>
        {protocols[id].name}
        {(result || off) && (
          <span className="hidden text-sm font-normal text-ink2 xl:line-clamp-2">
            {result ? result.words : 'off today'}
          </span>
        )}
      </span>
    </Link>
  );
}
