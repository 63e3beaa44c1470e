import { LinkButton } from '@/parts/Button';

/** A stored record exactly as it stands in the studio's file, as a file of its own. */
export function RecordFile({ table, id, what }: { table: string; id: string; what: string }) {
  return (
    <LinkButton
      look="quiet"

      href={`/api/records/${table}/${encodeURIComponent(id)}`}
      download={`record-${table}.json`}
    >
      Save it as a file<span className="sr-only">: {what}</span>
    </LinkButton>
  );
}
