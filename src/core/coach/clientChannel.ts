/** The name of the channel both windows listen on. */
export const clientChannel = 'kokyu-client';

/** Without a word from the coach's window for this long, the client's goes blank. */
export const silentAfterMs = 6000;
