/** An error with a sentence for the person who starts or uses the app. */
export class StoreError extends Error {}

/** The studio's file was moved, replaced or deleted under a running server: nothing more is written. */
export class FileGone extends StoreError {}

export const messageOf = (error: unknown) => (error instanceof Error ? error.message : String(error));
