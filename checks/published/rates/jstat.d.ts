/** What the checks use of a package without types of its own. */
declare module 'jstat' {
  export const jStat: {
    readonly chisquare: { readonly inv: (p: number, degreesOfFreedom: number) => number };
    readonly binomial: { readonly pdf: (k: number, n: number, p: number) => number };
  };
}
