'use client';

import { counted } from '@/core/reasons';
import { type Hit, type Wishes, browse, noWishes, openedRegions } from '@/core/sequence';
import { Link } from '@/parts/Link';
import { useRouter } from 'next/navigation';
import { useDeferredValue, useMemo, useState } from 'react';
import { type Drill, drills as builtIn, families, familyIds, positionIds, propList } from '@/core/catalogue';
import { conditionList } from '@/core/safety';
import { schoolIds, schools } from '@/core/schools';
import { regionIds, regions } from '@/core/trunk';
import { Button, LinkButton } from '@/parts/Button';
import { Field, NamedSelect, TextInput } from '@/parts/Field';
import { EmptyState } from '@/parts/Notice';
import { specOf } from '@/core/body';
import { LateBody } from '@/parts/figures/body/LateBody';
import { WhenNear } from '@/parts/WhenNear';
import { DrillFiles } from './DrillFiles';

/** Every drill, to be found by purpose, part, position, prop, school and caution; two can be laid side by side. */
export function CatalogueBrowser({ own, today }: { own: readonly Drill[]; today: string }) {
  const router = useRouter();
  const [wishes, setWishes] = useState<Wishes>(noWishes);
  const [pair, setPair] = useState<string[]>([]);
  const asked = useDeferredValue(wishes);
  const ownIds = useMemo(() => new Set(own.map(({ id }) => id)), [own]);
  const all = useMemo(() => [...own, ...builtIn], [own]);
  const hits = useMemo(() => browse(all, ownIds, asked, today), [all, ownIds, asked, today]);
  const set = (change: Partial<Wishes>) => setWishes((before) => ({ ...before, ...change }));
  const any = JSON.stringify(wishes) !== JSON.stringify(noWishes);
  const toggle = (id: string) =>
    setPair((list) => (list.includes(id) ? list.filter((other) => other !== id) : [...list.slice(-1), id]));

  return (
    <>
      <div className="grid gap-x-4 gap-y-3 sm:grid-cols-2 lg:grid-cols-4">
        <Field label="Find">
          {(ids) => (
            <TextInput
              {...ids}
              type="search"
              value={wishes.words}
              onChange={(event) => set({ words: event.target.value })}
              placeholder="a word of it"
            />
          )}
        </Field>
        <NamedSelect
          none="any"
          label="What for"
          value={wishes.family}
          onChange={(family) => set({ family })}
          choices={familyIds.map((id) => [id, families[id]])}
        />
        <NamedSelect
          none="any"
          label="Part it opens"
          value={wishes.region}
          onChange={(region) => set({ region })}
          choices={regionIds.map((id) => [id, regions[id].name])}
        />
        <NamedSelect
          none="any"
          label="Position"
          value={wishes.position}
          onChange={(position) => set({ position })}
          choices={positionIds.map((id) => [id, id])}
        />
        <NamedSelect
          none="any"
          label="Prop"
          value={wishes.prop}
          onChange={(prop) => set({ prop })}
          choices={[['none', 'nothing at all'], ...propList.map(({ id, name }) => [id, name] as const)]}
        />
        <NamedSelect
          none="any"
          label="Fits with school"
          value={wishes.school}
          onChange={(school) => set({ school })}
          choices={schoolIds.map((id) => [id, schools[id].name])}
        />
        <NamedSelect
          none="any"
          label="Allowed with"
          value={wishes.caution}
          onChange={(caution) => set({ caution })}
          choices={conditionList.map(({ id, name }) => [id, name] as const)}
        />
        <div className="flex items-end gap-2">
          <Button className="!px-2" disabled={!any} onClick={() => setWishes(noWishes)}>
            Everything
          </Button>
          <LinkButton className="!px-2 whitespace-nowrap" href="/catalogue/own/new">
            Your own drill
          </LinkButton>
        </div>
      </div>

      <div className="mt-4 flex min-h-14 flex-wrap items-center justify-between gap-3 border-b border-ink">
        <p role="status" className="font-semibold">
          {counted(hits.length, 'drill')}
          {wishes.caution && <span className="font-normal text-ink2">, what is off with it left out</span>}
        </p>
        <div className="flex items-center gap-3">
          <span className="text-ink2">
            {pair.length === 0 ? 'Tick two to compare them.' : pair.length === 1 ? 'One more to compare.' : ''}
          </span>
          <Button
            disabled={pair.length !== 2}
            onClick={() => router.push(`/catalogue/compare?a=${pair[0]}&b=${pair[1]}`)}
          >
            Compare
          </Button>
        </div>
      </div>
      {hits.length === 0 ? (
        <EmptyState as="h2" title="No drill answers all of that.">
          <Button onClick={() => setWishes(noWishes)}>Show everything</Button>
        </EmptyState>
      ) : (
        <ul className="grid sm:grid-cols-2 sm:gap-x-6 lg:grid-cols-3">
          {hits.map((hit) => (
            <DrillRow
              key={hit.drill.id}
              hit={hit}
              ticked={pair.includes(hit.drill.id)}
              onTick={() => toggle(hit.drill.id)}
            />
          ))}
        </ul>
      )}
      <DrillFiles own={own} />
    </>
  );
}

function DrillRow({ hit: { drill, own, suit }, ticked, onTick }: { hit: Hit; ticked: boolean; onTick: () => void }) {
  const position = suit?.position ?? drill.positions[0]!;
  return (
    <li className="flex items-start gap-2 border-b border-rule py-2">
      <label className="grid size-11 shrink-0 cursor-pointer place-items-center">
        <input type="checkbox" className="size-5 accent-ink" checked={ticked} onChange={onTick} />
        <span className="sr-only">Compare {drill.name}</span>
      </label>
      <Link href={`/catalogue/${drill.id}`} className="group flex min-w-0 grow gap-3">
        <WhenNear className="h-16 w-24 shrink-0">
          {() => (
            <LateBody
              className="h-16 w-24 shrink-0"
              small
              spec={specOf(drill, position)}
              opened={openedRegions(drill, 'left')}
            />
          )}
        </WhenNear>
        <span className="min-w-0">
          <span className="block font-semibold underline decoration-transparent underline-offset-4 group-hover:decoration-ink">
            {drill.name}
          </span>
          <span className="line-clamp-2 text-sm text-ink2">{drill.purpose}</span>
          <span className="block text-sm text-ink2">
            {own && <span className="mr-2 rounded-one border border-ink px-1.5 text-ink">yours</span>}
            {position}
            {drill.positions.length > 1 && ` +${drill.positions.length - 1}`}, level {drill.level}
          </span>
          {suit?.why && <span className="block text-sm text-caution">▲ {suit.why}</span>}
        </span>
      </Link>
    </li>
  );
}
