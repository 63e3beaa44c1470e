/** Most things that go home without a reason. Common practice. */
export const mostItems = 3;
