import { expect, test } from '@playwright/test';
import { neverMet } from '../../scripts/met';

export { met } from '../../scripts/met';

/** A file in which a condition was never met fails: it would have proved nothing. */
export const allMet = (file: string) => test.afterAll(() => expect(neverMet(file)).toEqual([]));
