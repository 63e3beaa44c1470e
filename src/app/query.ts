/** One part of an address's query: the first where it was said twice, short enough to be looked for. */
export const one = (value: string | string[] | undefined): string =>
  ((Array.isArray(value) ? value[0] : value) ?? '').slice(0, 120);
