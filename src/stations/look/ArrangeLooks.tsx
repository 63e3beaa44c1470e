'use client';

import { ArrowDown, ArrowUp, X } from 'lucide-react';
import { type LookList, type ProtocolId, protocolIds, protocols } from '@/core/look';

const button = 'grid size-11 place-items-center rounded-one hover:bg-leaf disabled:text-line';

/** Skip, reorder and add looks for this visit. What was already looked at stays recorded. */
export function ArrangeLooks({ list, onChange }: { list: LookList; onChange: (list: LookList) => void }) {
  const { protocols: ids } = list;
  const put = (next: readonly ProtocolId[]) => onChange({ ...list, protocols: next });
  const move = (index: number, by: -1 | 1) => {
    const next = [...ids];
    const [id] = next.splice(index, 1);
    next.splice(index + by, 0, id!);
    put(next);
  };
  const rest = protocolIds.filter((id) => !ids.includes(id));
  return (
    <details className="mt-2">
      <summary className="flex min-h-11 cursor-pointer items-center text-ink2">Skip, move, add</summary>
      <ol>
        {ids.map((id, i) => (
          <li key={id} className="flex items-center border-t border-rule">
            <span className="grow text-sm leading-tight">{protocols[id].name}</span>
            <button
              type="button"
              className={button}
              disabled={i === 0}
              onClick={() => move(i, -1)}
              aria-label={`${protocols[id].name}: earlier`}
            >
              <ArrowUp size={16} aria-hidden />
            </button>
            <button
              type="button"
              className={button}
              disabled={i === ids.length - 1}
              onClick={() => move(i, 1)}
              aria-label={`${protocols[id].name}: later`}
            >
              <ArrowDown size={16} aria-hidden />
            </button>
            <button
              type="button"
              className={button}
              onClick={() => put(ids.filter((one) => one !== id))}
              aria-label={`${protocols[id].name}: skip`}
            >
              <X size={16} aria-hidden />
            </button>
          </li>
        ))}
      </ol>
      {rest.length > 0 && (
        <ul aria-label="Add" className="mt-2 flex flex-wrap gap-2">
          {rest.map((id) => (
            <li key={id}>
              <button
                type="button"
                className="min-h-11 rounded-one border border-line px-2 text-left text-sm hover:bg-leaf"
                onClick={() => put([...ids, id])}
              >
                + {protocols[id].name}
              </button>
            </li>
          ))}
        </ul>
      )}
    </details>
  );
}
