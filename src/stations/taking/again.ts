import { createContext, useContext } from 'react';
import { type ProtocolId } from '@/core/look';

/** Whether the look on the screen is a second reading of one that was taken already: both count. */
const Again = createContext(false);
export const AgainProvider = Again.Provider;
export const useAgain = () => useContext(Again);

/**
 * Looks that are read better when they are taken a second time; the others have several goes of their own, or are asked.
 */
export const canBeTakenAgain: readonly ProtocolId[] = [
  'twoHands',
  'sideBend',
  'regionMap',
  'stack',
  'postureSearch',
  'wallOrder',
  'floor',
  'exhale',
  'frontOn',
  'pelvicRock',
];
