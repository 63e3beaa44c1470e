import { type Outcome } from '@/core/record';
import { type Store } from '../file';
import { clientDoors } from './client';
import { type Doors } from './door';
import { type Carried, carryOutAll as carryOutBy } from './engine';
import { homeDoors } from './home';
import { liftDoors } from './lift';
import { lookDoors } from './look';
import { noteDoors } from './note';
import { planDoors } from './plan';
import { readingDoors } from './reading';
import { runDoors } from './run';
import { appointmentDoors, listDoors } from './diary';
import { drillDoors, ownBreathDoors, photoDoors, settingDoors } from './studio';
import { visitDoors } from './visit';

/** Every kind of command with its door. One that is missing here does not compile. */
export const doors: Doors = {
  ...clientDoors,
  ...visitDoors,
  ...lookDoors,
  ...readingDoors,
  ...planDoors,
  ...runDoors,
  ...noteDoors,
  ...homeDoors,
  ...liftDoors,
  ...ownBreathDoors,
  ...appointmentDoors,
  ...listDoors,
  ...drillDoors,
  ...photoDoors,
  ...settingDoors,
};

/** Carries out commands in order, each once, all in one write. */
export const carryOutAll = (
  store: Store,
  inputs: readonly unknown[],
  nowEpochMs: number,
  drafts?: ReadonlyMap<string, string>,
): Carried => carryOutBy(doors, store, inputs, nowEpochMs, drafts);

/**
 * Carries out one command.
 *
 * @throws what was no reasoned refusal
 */
export function carryOut(store: Store, input: unknown, nowEpochMs: number): Outcome {
  const { outcomes, failed } = carryOutAll(store, [input], nowEpochMs);
  if (failed !== null) throw failed;
  return outcomes[0]!;
}

export { type Carried, isDiskTrouble } from './engine';
