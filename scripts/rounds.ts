/**
 * How many of many made-up cases a run takes: a third with each `npm test`, so that it stays quick, and all of them with
 * `KOKYU_ALL_SEEDS=1 npx jest`. The first are always the same ones.
 */
export const rounds = (all: number) => (process.env.KOKYU_ALL_SEEDS ? all : Math.ceil(all / 3));
