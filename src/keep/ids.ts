import { v5, v7, validate } from 'uuid';

/** A fresh id for a record or a command: sortable by time. */
export const newId = () => v7();

/** The room of names that come from calendars. */
const calendars = '6a1f9d0e-3b57-4a86-9f0c-5f4c1c0a8e21';

/**
 * The id of something that has a name of its own elsewhere: the same name gives the same id, so that what is taken in twice is there
 * once. A name that is an id already stays it.
 */
export const idOf = (name: string) => (validate(name) ? name : v5(name, calendars));
