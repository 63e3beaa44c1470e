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
  children,
}: {
  kind?: keyof typeof kinds;
  title: string;
  children?: ReactNode;
}) {
  const { box, icon: Icon } = kinds[kind];
  return (
    <section className={`rounded-one border px-4 py-3 ${box}`} role={kind === 'plain' ? undefined : 'alert'}>
      <h2 className="flex items-center gap-2 text-base font-semibold">
        <Icon size={18} aria-hidden className="shrink-0" />
        {title}
      </h2>
      {children && <div className="mt-1">{children}</div>}
    </section>
  );
}

/** A place with nothing in it yet says what to do next. */
export function EmptyState({ title, children }: { title: string; children?: ReactNode }) {
  return (
    <div className="border-y border-rule py-10 text-center">
      <p className="text-lg font-semibold">{title}</p>
      {children && <div className="mt-3 flex flex-wrap justify-center gap-3 text-ink2">{children}</div>}
    </div>
  );
}
