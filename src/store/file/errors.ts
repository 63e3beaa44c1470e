/** An error with a sentence for the person who starts or uses the app. */
export class StoreError extends Error {}

/** The studio's file was moved, replaced or deleted under a running server: nothing more is written. */
export class FileGone extends StoreError {}

/** The studio’s file can’t be read, or is not there beside what was kept of it: a copy is to be put in its place. */
export class NotWhole extends StoreError {}

export const messageOf = (error: unknown) => (error instanceof Error ? error.message : String(error));
