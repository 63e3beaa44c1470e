import { useMemo } from 'react';

/** A plain value that stays the same object for as long as it says the same: what is laid out from it is laid out once. */
export function useSame<T>(value: T): T {
  const told = JSON.stringify(value);
  return useMemo(() => JSON.parse(told) as T, [told]);
}
