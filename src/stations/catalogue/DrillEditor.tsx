'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { specOf } from '@/core/body';
import { type Drill, drills as builtIn } from '@/core/catalogue';
import { type Fault } from '@/core/formats';
import { openedRegions } from '@/core/sequence';
import { useKeep } from '@/keep';
import { Button } from '@/parts/Button';
import { BodyFigure } from '@/parts/figures/body/BodyFigure';
import { Notice } from '@/parts/Notice';
import { patiently } from '@/parts/patiently';
import { say } from '@/parts/say';
import { tidied, outOfReach } from './draft';
import { DrillFields } from './DrillFields';
import { aboutFields, fieldGroups } from './drillForm';
import { Group } from './DrillRows';

/** The whole of the schema, which nobody needs before there is something to keep; there by then, so that it is kept without a server. */
const checked = () => patiently(() => import('./draftFaults'));

/** Writing a drill of one's own, in the schema of the built-in ones. What is typed stays in this browser until it is kept. */
export function DrillEditor({ initial, revision, own }: { initial: Drill; revision: number; own: readonly Drill[] }) {
  const router = useRouter();
  const [draft, setDraft, forget] = useKeptDraft(initial);
  const [faults, setFaults] = useState<readonly Fault[]>([]);
  const [refused, setRefused] = useState<string | null>(null);
  const keep = useKeep();
  useEffect(() => void checked(), []);
  const set = (change: Partial<Drill>) => setDraft({ ...draft, ...change });
  const faultOf = (...parts: (keyof Drill)[]) =>
    faults.find(({ path }) => (parts as unknown[]).includes(path[0]))?.what ?? null;
  const others = [...own, ...builtIn]
    .filter(({ id }) => id !== draft.id)
    .sort((a, b) => a.name.localeCompare(b.name))
    .map(({ id, name }) => [id, name] as const);

  const save = async () => {
    const { draftFaults } = await checked();
    const found = draftFaults(draft, new Map(own.map((drill) => [drill.id, drill])));
    setFaults(found);
    setRefused(null);
    if (found.length > 0) {
      window.scrollTo({ top: 0 });
      return;
    }
    const outcome = await keep('drill.save', { drill: tidied(draft), revision });
    if (outcome.state === 'refused') {
      setRefused(outcome.why);
      window.scrollTo({ top: 0 });
      return;
    }
    forget();
    router.push(`/catalogue/${draft.id}`);
    router.refresh();
    say(`${draft.name} is in your catalogue.`);
  };

  const form = { draft, set, faultOf, others };

  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      {(faults.length > 0 || refused) && (
        <div className="mb-5">
          <Notice kind="stop" title={refused ?? `Not kept yet: ${faults.length} to mend.`}>
            <ul>
              {faults.map(({ what }) => (
                <li key={what}>{what}</li>
              ))}
            </ul>
          </Notice>
        </div>
      )}
      <div className="grid gap-x-10 gap-y-5 lg:grid-cols-[minmax(0,1fr)_20rem]">
        <div className="grid gap-5">
          <DrillFields fields={aboutFields} form={form} />
        </div>
        <figure>
          <BodyFigure
            className="w-full border-y border-rule"
            spec={specOf(draft, draft.positions[0] ?? 'sitting')}
            opened={openedRegions(draft, 'left')}
            title="The drill as its figure shows it"
          />
          <figcaption className="text-sm text-ink2">
            <span role="status">{outOfReach(draft) ?? 'As it will be shown.'}</span>
          </figcaption>
        </figure>
      </div>

      {fieldGroups.map(({ title, fields }) => (
        <Group key={title} title={title}>
          <DrillFields fields={fields} form={form} />
        </Group>
      ))}

      <div className="sticky bottom-0 mt-6 flex flex-wrap items-center gap-3 border-t border-ink bg-paper py-3">
        <Button look="strong" type="submit">
          Keep the drill
        </Button>
        <Button
          onClick={() => {
            const before = draft;
            forget();
            setDraft(initial);
            setFaults([]);
            say('Back to how it began.', () => setDraft(before));
          }}
        >
          Begin again
        </Button>
        <span className="text-sm text-ink2">What you type stays in this browser until you keep it.</span>
      </div>
    </form>
  );
}

/** A draft left in this browser, or null where there is none or it can't be read. */
function readKept(key: string): Partial<Drill> | null {
  try {
    return JSON.parse(localStorage.getItem(key) ?? 'null') as Partial<Drill> | null;
  } catch {
    return null;
  }
}

/** The draft, written into this browser on every change, so that a closed tab loses nothing. */
function useKeptDraft(initial: Drill): [Drill, (draft: Drill) => void, () => void] {
  const key = `drill-draft:${initial.id}`;
  const [draft, setDraft] = useState(initial);
  useEffect(() => {
    const kept = readKept(key);
    // What another day left here is taken up after the page has been drawn as the server drew it.
    if (kept) queueMicrotask(() => setDraft({ ...initial, ...kept }));
  }, [key, initial]);
  const change = (next: Drill) => {
    setDraft(next);
    localStorage.setItem(key, JSON.stringify(next));
  };
  return [draft, change, () => localStorage.removeItem(key)];
}
