import { type Helped } from '../coach';

/** What the marker showed right after a drill, for one client, once. */
export interface Seen {
  drillId: string;
  clientId: string;
  helped: Helped;
}

/** What a drill did to the marker of one client, as far as it was rechecked. */
export interface Effect {
  drillId: string;
  /** How often it was rechecked for this client. */
  times: number;
  /** Mean of better (1), same (0) and worse (−1) for this client alone. */
  own: number;
  /** The same, drawn toward the drill's mean over all clients by as much as chance alone could have made it. */
  pooled: number;
  /** 95 of 100. */
  low: number;
  high: number;
  /** The interval leaves no change out. */
  clear: boolean;
}

const scores: Readonly<Record<Helped, number>> = { better: 1, same: 0, worse: -1 };

/** Variance of one answer where too few are known to say: of three answers as likely as each other. */
const usualVariance = 2 / 3;

const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;

/**
 * What changed the marker, by drill, for one client: the client's own mean drawn toward the drill's mean over all clients (partial pooling).
 * With n answers of variance s² and clients that differ by τ², the weight of the client's own is n/s² against 1/τ² for the drill's; τ² is
 * estimated by moments from the clients' means. It says what was seen, not what will be.
 *
 * @param seen rechecks of the whole studio
 * @param clientId whose
 * @source normal–normal partial pooling, Gelman & Hill 2007, ch. 12; DerSimonian & Laird 1986 for τ² (values from memory)
 * @example whatChanged([], 'ada') // []
 */
export function whatChanged(seen: readonly Seen[], clientId: string): Effect[] {
  const byDrill = new Map<string, Map<string, number[]>>();
  for (const { drillId, clientId: whose, helped } of seen) {
    const clients = byDrill.get(drillId) ?? new Map<string, number[]>();
    clients.set(whose, [...(clients.get(whose) ?? []), scores[helped]]);
    byDrill.set(drillId, clients);
  }
  return [...byDrill]
    .flatMap(([drillId, clients]): Effect[] => {
      const own = clients.get(clientId);
      return own ? [{ drillId, ...pooledOf(own, [...clients.values()]) }] : [];
    })
    .sort((a, b) => b.pooled - a.pooled);
}

/**
 * One group's mean, drawn toward the mean of all groups.
 *
 * @param own values of the group
 * @param groups values of every group, that one among them
 */
export function pooledOf(own: readonly number[], groups: readonly (readonly number[])[]): Omit<Effect, 'drillId'> {
  const spread = groups.flatMap((values) => {
    const middle = mean(values);
    return values.map((value) => (value - middle) ** 2);
  });
  const free = spread.length - groups.length;
  // Few answers, all alike, are no proof that they always will be: the usual variance keeps the weight of four.
  const within = (spread.reduce((sum, value) => sum + value, 0) + 4 * usualVariance) / (Math.max(0, free) + 4);
  const weights = groups.map((values) => values.length / within);
  const all = weights.reduce((sum, weight) => sum + weight, 0);
  const grand = groups.reduce((sum, values, at) => sum + weights[at]! * mean(values), 0) / all;
  const q = groups.reduce((sum, values, at) => sum + weights[at]! * (mean(values) - grand) ** 2, 0);
  const c = all - weights.reduce((sum, weight) => sum + weight ** 2, 0) / all;
  // With one client there is nothing to differ from: then clients are taken to differ as much as answers do.
  const between = groups.length < 2 ? within : Math.max(0.02, (q - (groups.length - 1)) / Math.max(c, 1e-9));
  const others = groups.length < 2 ? 0 : grand;
  const [ownWeight, drillWeight] = [own.length / within, 1 / between];
  const pooled = (ownWeight * mean(own) + drillWeight * others) / (ownWeight + drillWeight);
  const half = 1.96 * Math.sqrt(1 / (ownWeight + drillWeight));
  return {
    times: own.length,
    own: mean(own),
    pooled,
    low: pooled - half,
    high: pooled + half,
    clear: pooled - half > 0 || pooled + half < 0,
  };
}
