import { createContext, useContext } from 'react';

/** Whether the look on the screen is a second reading of one that was taken already: both count. */
const Again = createContext(false);
export const AgainProvider = Again.Provider;
export const useAgain = () => useContext(Again);
