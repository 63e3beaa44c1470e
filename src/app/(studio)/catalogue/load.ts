import { cache } from 'react';
import { type Drill, drills } from '@/core/catalogue';
import { ownDrillsOf, theStore } from '@/store';

/** The whole catalogue: the coach's own drills and the built-in ones, with names by id. */
export const loadCatalogue = cache(() => {
  const own = ownDrillsOf(theStore());
  const all: Drill[] = [...own.map(({ drill }) => drill), ...drills];
  return {
    own,
    all,
    names: Object.fromEntries(all.map(({ id, name }) => [id, name])),
    find: (id: string) => all.find((drill) => drill.id === id),
  };
});
