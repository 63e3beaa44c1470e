import { type ReactNode } from 'react';

/** The head of a station: one title, one line that says what it is for, and what can be done with the whole. */
export function StationHead({ title, line, children }: { title: string; line: ReactNode; children?: ReactNode }) {
  return (
    <div className="mb-5 flex flex-wrap items-start justify-between gap-4">
      <div>
        <h1 className="text-2xl">{title}</h1>
        <p className="text-ink2">{line}</p>
      </div>
      {children}
    </div>
  );
}
