import { type ReactNode } from 'react';
import { prerender } from 'react-dom/static';

/** A page's markup with what it fetches for itself. */
export async function whole(page: ReactNode): Promise<string> {
  const { prelude } = await prerender(page);
  // The marks between pieces of text are React's own.
  return (await new Response(prelude).text()).replaceAll('<!-- -->', '');
}
