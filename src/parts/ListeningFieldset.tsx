'use client';

import { type ComponentProps } from 'react';
import { useHydrated } from './useHydrated';

/**
 * A fieldset that takes nothing in until the page listens: what is chosen before would show and be nowhere. It alone is drawn again then,
 * not what is in it.
 */
export function ListeningFieldset({ disabled = false, ...rest }: ComponentProps<'fieldset'>) {
  const listening = useHydrated();
  return <fieldset disabled={disabled || !listening} {...rest} />;
}
