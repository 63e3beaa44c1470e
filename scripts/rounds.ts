/**
 * How many of many made-up cases a run takes: a tenth with each `npm test`, so that it stays quick, and all of them with
 * `npm test -- --all` (`KOKYU_ALL=yes npx jest` for a part). The first are always the same ones.
 */
export const rounds = (all: number) => (process.env.KOKYU_ALL ? all : Math.ceil(all / 10));
