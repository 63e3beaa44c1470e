/** What the app puts around a part: its addresses, and the place of short messages. In a test these stand in for them. */

const untouched = { path: '/', search: '', went: [], refreshed: 0, said: [], undo: null };

/** Where the test stands, and what came of it; as it is here again before each test. */
export const around: {
  /** The address one is at, and what stands behind its question mark. */
  path: string;
  search: string;
  /** Where to it was gone since, oldest first. */
  went: string[];
  /** How often what the page shows was asked for anew. */
  refreshed: number;
  /** The short messages since, oldest first, and the way back of the last. */
  said: string[];
  undo: (() => void) | null;
} = { ...untouched, went: [], said: [] };

/** Where nothing was done yet: before each test, whatever the one before left. */
export const asAtFirst = () => void Object.assign(around, untouched, { went: [], said: [] });

const router = {
  push: (to: string) => void around.went.push(to),
  refresh: () => void (around.refreshed += 1),
};

/** In the place of `next/navigation`. */
export const navigation = {
  useRouter: () => router,
  usePathname: () => around.path,
  useSearchParams: () => new URLSearchParams(around.search),
};

/** In the place of `parts/say`. */
export const messages = {
  say: (words: string, undo?: () => void) => {
    around.said.push(words);
    around.undo = undo ?? null;
  },
};
