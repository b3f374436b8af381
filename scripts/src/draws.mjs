/** Whether this is the long run, `npm run long`: every draw, the cluster, the largest files. */
export const LONG = process.env.INCH_LONG === '1';

/** Tells how many draws a property is tried with: all of them in the long run, a fifth otherwise, each time others. */
export const draws = (all) => (LONG ? all : Math.ceil(all / 5));
