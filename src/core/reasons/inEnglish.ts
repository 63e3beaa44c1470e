import { en } from 'zod/locales';

/**
 * How a check words what is wrong, for values whose faults are told to a person: the small checker carries no words of its own.
 *
 * @example z.string().safeParse(7, inEnglish).error?.issues[0]?.message // 'Invalid input: expected string, received number'
 */
export const inEnglish = { error: en().localeError };
