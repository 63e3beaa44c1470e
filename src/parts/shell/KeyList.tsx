import { type KeyGroup, keyGroups } from './keys';

/** The keys of a group with what they do. */
export function KeyList({ group }: { group: KeyGroup }) {
  return (
    <dl className="grid grid-cols-[auto_1fr] gap-x-6">
      {Object.values(keyGroups[group].keys).map(({ written, does }) => (
        <div key={written} className="col-span-2 grid grid-cols-subgrid border-t border-rule py-1">
          <dt className="font-semibold">{written}</dt>
          <dd>{does}</dd>
        </div>
      ))}
    </dl>
  );
}
