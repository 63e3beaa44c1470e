import { type Reason, type RecordRef } from '@/core/reasons';
import { Link } from './Link';
import { ProvenanceMark } from './Provenance';

/** Reasons as they were given by the core: what, by which rule, from which record. */
export function ReasonList({
  reasons,
  linkTo,
}: {
  reasons: readonly Reason[];
  linkTo?: (record: RecordRef) => string;
}) {
  return (
    <ul className="space-y-1.5">
      {reasons.map((reason, i) => (
        <li key={i} className="flex flex-wrap items-baseline gap-x-2">
          <span>{reason.what}</span>
          <span className="text-sm text-ink2">{reason.rule}</span>
          {linkTo &&
            reason.records.map((record) => (
              <Link
                key={record.id}
                href={linkTo(record)}
                className="text-sm text-ink2 underline decoration-rule underline-offset-4 hover:text-ink"
              >
                {record.label}
              </Link>
            ))}
          <ProvenanceMark provenance={reason.provenance} />
        </li>
      ))}
    </ul>
  );
}
