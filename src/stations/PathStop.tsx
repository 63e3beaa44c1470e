import { type ReactNode } from 'react';
import { type RecordRef } from '@/core/reasons';
import { emergencySteps } from '@/core/safety';
import { LinkButton } from '@/parts/Button';
import { Notice } from '@/parts/Notice';
import { ReasonList } from '@/parts/ReasonList';
import { type ClientView } from './view';

const titles: Record<ClientView['path']['state'], string> = {
  open: '',
  emergency: 'Stop. Emergency sign.',
  'red flag': 'Not today: a red flag. Refer.',
  guardian: 'Not yet: a guardian’s consent comes first.',
  'not asked': 'Not yet: ask about today’s signs first.',
  recount: 'Not yet: count the resting rate again.',
};

/** What a closed station shows: why, what to do, and the one way on where there is one. */
export function PathStop({
  view,
  as = 'h1',
  name = null,
  children = null,
}: {
  view: Pick<ClientView, 'id' | 'path' | 'settings'>;
  as?: 'h1' | 'h2';
  /** In a group: whose station it is. */
  name?: string | null;
  /** Another way on. */
  children?: ReactNode;
}) {
  const { path, id, settings } = view;
  const linkTo = (record: RecordRef) => `/clients/${id}/${record.kind === 'look' ? 'look' : 'screen'}`;
  if (path.state === 'emergency') {
    return <EmergencyWords emergencyNumber={settings.emergencyNumber} signs={path.signs} name={name} />;
  }
  const title = titles[path.state];
  return (
    <Notice kind="stop" title={name === null ? title : `${name}. ${title}`} as={as}>
      <ReasonList reasons={path.reasons} linkTo={linkTo} />
      <p className="my-3 text-ink2">
        {path.state === 'red flag'
          ? 'No drills today. Going on needs a reason and the name of the clinician who cleared it; both are kept. Local rules come first.'
          : `With any sign of an emergency: stop and call ${settings.emergencyNumber}.`}
      </p>
      <div className="flex flex-wrap gap-3">
        <LinkButton href={`/clients/${id}/${path.state === 'recount' ? 'look' : 'screen'}`} look="strong">
          {path.state === 'recount' ? 'Count again' : 'Go to Screen'}
        </LinkButton>
        {children}
      </div>
    </Notice>
  );
}

/** What to do, in large words, and nothing else. There is no way on from here today. */
export function EmergencyStop({ view }: { view: ClientView }) {
  const { path, settings } = view;
  if (path.state !== 'emergency') return null;
  return <EmergencyWords emergencyNumber={settings.emergencyNumber} signs={path.signs} />;
}

/** The same for signs that were just said, whether or not the server has them yet. */
export function EmergencyWords({
  emergencyNumber,
  signs,
  name = null,
}: {
  emergencyNumber: string;
  signs: readonly string[];
  /** In a group: whose they are. */
  name?: string | null;
}) {
  return (
    <section role="alert" className="rounded-one border-4 border-stop p-6">
      <h1 className="text-4xl text-stop dark:text-ink">Stop. Call {emergencyNumber}.</h1>
      <p className="mt-2 text-lg">
        {name === null ? 'Logged today' : `${name}, logged today`}: {signs.join('; ')}.
      </p>
      <ol className="mt-5 list-decimal space-y-2 pl-6 text-xl">
        {emergencySteps(emergencyNumber).map((step) => (
          <li key={step}>{step}</li>
        ))}
      </ol>
      <p className="mt-5 text-ink2">
        Looks, plans and drills are closed for this client today. At the next visit a clinician’s word is asked for
        first.
      </p>
    </section>
  );
}
