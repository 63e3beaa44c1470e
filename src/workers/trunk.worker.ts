import { expose } from 'comlink';
import { rankSetUps } from '@/core/trunk';

const api = { rankSetUps };

export type TrunkWorker = typeof api;

expose(api);
