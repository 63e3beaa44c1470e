'use client';

import { useSyncExternalStore } from 'react';

const never = () => () => undefined;

/** False while the server draws the page and in the browser's first drawing of it, true from then on. */
export const useHydrated = () =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
