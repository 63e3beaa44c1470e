export { backup, backupNote, backupsIn, clearStudio, compared, restore } from './backup';
export { dropSeal, isSealed, isSealing, seal, setSeal, unseal } from './seal';
export { copiesOf, copyFailed, copyOfDay, madeAt } from './copies';
export { copyToSecond, secondFailed, secondPlace, setSecondPlace } from './second';
export { fileMode, pour, privateFolder, settle } from './disk';
export { FileGone, NotWhole, StoreError } from './errors';
export {
  type Store,
  afterWriting,
  mustBeInPlace,
  openStore,
  restoreHere,
  seenThrough,
  toldAtOpening,
  wholeStore,
} from './open';
export { nextPlace, placeNow } from './place';
export { backupsOf, photosOf, storePath, studioKind } from './paths';
