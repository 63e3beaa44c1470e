'use client';

import { useRef, useState } from 'react';
import { drillUnderLoad } from '@/core/catalogue';
import { type DrillLoad, movementOf } from '@/core/load';
import { newId, useKeep } from '@/keep';
import { Button, LinkButton } from '@/parts/Button';

/** Ids of drills are letters, digits and dashes. */
const ownId = () => `own-${newId()}`;

/** The movement as it stands above, kept in the catalogue as a drill of one's own. */
export function KeepAsDrill({ load }: { load: DrillLoad | null }) {
  const keep = useKeep();
  const [kept, setKept] = useState<{ id: string; name: string } | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const asKept = useRef('');
  const save = async () => {
    // However often it is pressed, the same movement is one drill.
    const asItStands = JSON.stringify(load);
    if (!load || asItStands === asKept.current) return;
    asKept.current = asItStands;
    const drill = drillUnderLoad(ownId(), load);
    const outcome = await keep('drill.save', { drill, revision: 0 });
    if (outcome.state === 'refused') {
      asKept.current = '';
      return setRefused(outcome.why);
    }
    setRefused(null);
    setKept({ id: drill.id, name: drill.name });
  };
  return (
    <div>
      <Button disabled={!load} onClick={() => void save()}>
        Keep it as a drill of yours
      </Button>
      {kept && (
        <p role="status" className="mt-1">
          <LinkButton href={`/catalogue/${kept.id}`} look="quiet">
            {`${kept.name} is in your catalogue`}
          </LinkButton>
        </p>
      )}
      {refused && (
        <p role="alert" className="mt-1 font-semibold">
          {refused}
        </p>
      )}
      {load?.own && <p className="text-ink2">{`${movementOf(load).name} is a movement of your own.`}</p>}
    </div>
  );
}
