const mostListed = 12;

/** Names, as many as can be read at a glance. */
export const atAGlance = (names: readonly string[]) =>
  names.length <= mostListed
    ? names.join(', ')
    : `${names.slice(0, mostListed).join(', ')} and ${names.length - mostListed} more`;
