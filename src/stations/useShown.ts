'use client';

import { useMemo } from 'react';
import { shownWith } from '@/core/record';
import { useSaid } from '@/keep';
import { type ClientView } from './view';

/** The client as the person in front of the page has left them, whatever the server has of it by now. */
export function useShown(served: ClientView): ClientView {
  const said = useSaid();
  return useMemo(() => shownWith(served, said), [served, said]);
}
