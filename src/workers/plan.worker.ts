import { expose } from 'comlink';
import { v7 as uuid } from 'uuid';
import { findDrill } from '@/core/catalogue';
import { type PlanContext, type PlanRequest, alternatives, makePlan } from '@/core/sequence';

const api = {
  plan: (request: PlanRequest, context: PlanContext) => makePlan(request, context, uuid),
  alternatives: (request: PlanRequest, context: PlanContext, taken: string[], currentDrillId: string | null) =>
    alternatives(request, context, taken, currentDrillId ? (findDrill(currentDrillId) ?? null) : null),
};

export type PlanWorker = typeof api;

expose(api);
