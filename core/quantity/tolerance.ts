/** One-sided 95 % of a normal error: a lower bound is the value less this many standard errors. Between two such, nine in ten. */
export const ONE_SIDED_95 = 1.645;
