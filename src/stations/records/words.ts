/** Some of a thing, counted. */
export const counted = (n: number, one: string, many = `${one}s`) => `${n} ${n === 1 ? one : many}`;

const mostListed = 12;

/** Names, as many as can be read at a glance. */
export const listed = (names: readonly string[]) =>
  names.length <= mostListed
    ? names.join(', ')
    : `${names.slice(0, mostListed).join(', ')} and ${names.length - mostListed} more`;
