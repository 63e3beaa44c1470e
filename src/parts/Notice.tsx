import { Info, OctagonX, TriangleAlert } from 'lucide-react';
import { type ReactNode } from 'react';

const kinds = {
  plain: { box: 'border-rule bg-leaf text-ink', icon: Info },
  caution: { box: 'border-caution bg-cautionw text-ink', icon: TriangleAlert },
  stop: { box: 'border-stop border-2 bg-paper text-ink', icon: OctagonX },
} as const;

/** Something the coach must read before going on; always a sign and words, never colour alone. */
export function Notice({
  kind = 'plain',
  title,
  as: Heading = 'h2',
  children,
}: {
  kind?: keyof typeof kinds;
  title: string;
  /** h1 where the notice is all the page has to say. */
  as?: 'h1' | 'h2';
  children?: ReactNode;
}) {
  const { box, icon: Icon } = kinds[kind];
  return (
    <section className={`rounded-one border px-4 py-3 ${box}`} role={kind === 'plain' ? undefined : 'alert'}>
      <Heading className="flex items-center gap-2 text-base font-semibold">
        <Icon size={18} aria-hidden className="shrink-0" />
        {title}
      </Heading>
      {children && <div className="mt-1">{children}</div>}
    </section>
  );
}

/** A place with nothing in it yet says what to do next. */
export function EmptyState({
  title,
  as: Heading = 'h1',
  children,
}: {
  title: string;
  /** h2 where the page has a head of its own. */
  as?: 'h1' | 'h2';
  children?: ReactNode;
}) {
  return (
    <div className="border-y border-rule py-10 text-center">
      <Heading className="text-lg">{title}</Heading>
      {children && <div className="mt-3 flex flex-wrap justify-center gap-3 text-ink2">{children}</div>}
    </div>
  );
}
