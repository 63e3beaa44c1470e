import { expose, transfer } from 'comlink';
import { waveOf } from '@/core/home';
import { type PlanItem } from '@/core/sequence';

const api = {
  wave: (items: PlanItem[], tell: (part: number) => void) => {
    const file = waveOf(items, tell);
    return transfer(file, [file.buffer]);
  },
};

export type WaveWorker = typeof api;

expose(api);
