import { expose } from 'comlink';
import { v7 as uuid } from 'uuid';
import {
  type PlanContext,
  type PlanItem,
  type PlanOptions,
  type PlanRequest,
  allDrills,
  alternatives,
  makePlan,
  priceOf,
  putIn,
  weighPlan,
  whatWouldChange,
} from '@/core/sequence';

const api = {
  plan: (request: PlanRequest, context: PlanContext, options: PlanOptions = {}) =>
    makePlan(request, context, uuid, options),
  alternatives: (request: PlanRequest, context: PlanContext, items: PlanItem[], at: number, mode: 'swap' | 'add') =>
    alternatives(request, context, items, at, mode),
  whatIf: (request: PlanRequest, context: PlanContext) => whatWouldChange(request, context),
  prices: (drillIds: string[], request: PlanRequest, context: PlanContext, locked: PlanItem[]) =>
    priceOf(drillIds, request, context, locked),
  /** With a drill in it, at its place; or why not. */
  putIn: (drillId: string, request: PlanRequest, context: PlanContext, items: PlanItem[]) => {
    const drill = allDrills(context).find(({ id }) => id === drillId);
    return drill
      ? putIn(drill, request, context, items, uuid())
      : { refused: 'This drill is not in the catalogue any more.' };
  },
  weigh: (items: PlanItem[], request: PlanRequest, context: PlanContext) => weighPlan(items, request, context),
};

export type PlanWorker = typeof api;

expose(api);
