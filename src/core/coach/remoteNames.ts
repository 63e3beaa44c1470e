/** Likeliest names a remote offers after a mark. */
export const remoteNames = 3;
