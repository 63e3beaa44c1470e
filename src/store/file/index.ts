export { backup, backupNote, backupsIn, clearStudio, restore } from './backup';
export { copiesOf, copyFailed, copyOfDay } from './copies';
export { fileMode, privateFolder, settle } from './disk';
export { FileGone, StoreError } from './errors';
export { type Store, afterWriting, mustBeInPlace, openStore, seenThrough, toldAtOpening, wholeStore } from './open';
export { nextPlace, placeNow } from './place';
export { backupsOf, photosOf, storePath, studioKind } from './paths';
