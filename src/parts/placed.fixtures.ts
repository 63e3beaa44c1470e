/** How many commands the server of a test has taken in. For tests only. */
export const placed = { count: 0 };
