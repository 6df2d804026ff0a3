declare module 'jstat' {
  export const jStat: { lognormal: { cdf(x: number, mu: number, sigma: number): number } };
}
