declare module 'jstat' {
  interface Distribution<P extends number[]> {
    pdf(x: number, ...parameters: P): number;
    cdf(x: number, ...parameters: P): number;
    inv(p: number, ...parameters: P): number;
  }
  const jStat: {
    normal: Distribution<[mean: number, standardDeviation: number]>;
    studentt: Distribution<[degreesOfFreedom: number]>;
    gammaln(x: number): number;
  };
  export default jStat;
}
