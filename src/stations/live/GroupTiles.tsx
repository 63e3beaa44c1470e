'use client';

import { type GroupForm, groupForm } from '@/core/coach';
import { type Fact, type Gates, type PathState, type TouchConsent } from '@/core/safety';
import { type PlanItem } from '@/core/sequence';
import { ItemFigure } from '../ItemFigure';

/** One person of a group, with what the live screen needs of them. */
export interface GroupMember {
  clientId: string;
  name: string;
  gates: Gates;
  /** Whether they may be coached now. */
  path: PathState;
  touch: TouchConsent;
  latestTouch: Fact | undefined;
  /** Of a pregnancy: the figure is drawn in it. */
  week?: number;
}

const touchShort: Record<TouchConsent, string> = {
  yes: 'touch: yes',
  'own hands': 'own hands',
  no: 'no touch',
  unknown: 'ask to touch',
};

/** Who is on the plan, who does the drill under way in another form, and whom the next mark or stop is about. */
export function GroupTiles({
  members,
  item,
  chosen,
  resting,
  onChoose,
}: {
  members: readonly GroupMember[];
  item: PlanItem;
  chosen: string | null;
  /** Who was stopped and has not gone on since. */
  resting: ReadonlySet<string>;
  onChoose: (clientId: string | null) => void;
}) {
  return (
    <div role="group" aria-label="Who is on this plan" className="grid grid-cols-3 gap-2 px-3 pt-2 lg:grid-cols-6">
      {members.map(({ clientId, name, gates, touch, week }) => {
        const form = groupForm(gates, item);
        const own = form.kind === 'same' ? item : form.item;
        const on = chosen === clientId;
        const rests = resting.has(clientId);
        return (
          <button
            key={clientId}
            type="button"
            aria-pressed={on}
            onClick={() => onChoose(on ? null : clientId)}
            className={`flex min-h-20 min-w-0 items-center gap-1 rounded-one border-2 px-2.5 py-1 text-left leading-tight ${
              on ? 'border-ink bg-ink text-onink' : form.kind === 'same' && !rests ? 'border-line' : 'border-caution'
            }`}
          >
            <span className="flex min-w-0 grow flex-col">
              <span className="w-full truncate text-lg font-semibold">{name}</span>
              <span className={`line-clamp-2 text-sm leading-tight ${on ? '' : 'text-ink2'}`}>
                {rests ? 'stopped: breathes normally' : formInWords(form)}
              </span>
              <span className={`block text-sm leading-tight ${on ? '' : 'text-ink2'}`}>{touchShort[touch]}</span>
            </span>
            {!rests && own && (
              // On its own paper: a chosen tile is dark.
              <span className="hidden shrink-0 rounded-one bg-paper sm:block">
                <ItemFigure item={own} week={week} className="h-16 w-16" />
              </span>
            )}
          </button>
        );
      })}
    </div>
  );
}

export function formInWords(form: GroupForm): string {
  if (form.kind === 'same') return 'as shown';
  if (form.kind === 'changed') return `▲ ${form.words[0]}`;
  return `▲ not this: ${form.instead}`;
}
