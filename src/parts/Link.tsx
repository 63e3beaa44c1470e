import NextLink from 'next/link';
import { type ComponentProps } from 'react';

/**
 * A way to another page. Nothing is fetched before it is taken: what a page shows is made when it is asked for, so what was
 * fetched ahead would be thrown away, and a page with twenty ways out would ask the studio forty times.
 */
export function Link(props: Omit<ComponentProps<typeof NextLink>, 'prefetch'>) {
  return <NextLink {...props} prefetch={false} />;
}
