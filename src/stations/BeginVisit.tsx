'use client';

import { Button } from '@/parts/Button';
import { newId, send } from '@/keep';

/** Opens today's visit; everything looked at, planned and coached today belongs to it. */
export function BeginVisit({
  clientId,
  look = 'strong',
  words = 'Begin today’s visit',
}: {
  clientId: string;
  look?: 'strong' | 'plain';
  words?: string;
}) {
  return (
    <Button look={look} onClick={() => send('visit.start', { visitId: newId(), clientId })}>
      {words}
    </Button>
  );
}
