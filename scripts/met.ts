interface Place {
  where: string;
  met: boolean;
}

const places = new Map<string, Place>();

/** Where this was called from, without the cost of finding the line in the source. */
function callSite(): string {
  const { prepareStackTrace, stackTraceLimit } = Error;
  Error.stackTraceLimit = 3;
  Error.prepareStackTrace = (_, [, , from]) =>
    `${from?.getFileName()}:${from?.getLineNumber()}:${from?.getColumnNumber()}`;
  const site = String(new Error().stack);
  Error.prepareStackTrace = prepareStackTrace;
  Error.stackTraceLimit = stackTraceLimit;
  return site;
}

/**
 * For a law of the form "where this is so, that holds", over many cases: hands the condition on and notes that it was met. What is never
 * met proves nothing, so a test file in which that is the case fails.
 *
 * @example if (met(drill.easier)) expect(findDrill(drill.easier)).toBeDefined()
 */
export function met<T>(condition: T): condition is Exclude<T, null | undefined | false | '' | 0> {
  const site = callSite();
  const place = places.get(site) ?? {
    where: new Error().stack?.split('\n').find((line, i) => i > 1 && !line.includes('met.ts')) ?? site,
    met: false,
  };
  places.set(site, place);
  place.met ||= Boolean(condition);
  return Boolean(condition);
}

/** Where a condition was asked for and never met; with a file, in that one alone. */
export const neverMet = (file = ''): string[] =>
  [...places.values()].filter(({ where, met: once }) => !once && where.includes(file)).map(({ where }) => where.trim());
