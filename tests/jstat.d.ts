/** The parts of jStat that tests compare with; the package brings no types. */
declare module 'jstat' {
  interface Distribution {
    pdf(x: number, shape: number, scale: number): number;
    cdf(x: number, shape: number, scale: number): number;
    inv(share: number, shape: number, scale: number): number;
  }
  const jStat: {
    gammaln(x: number): number;
    gamma: Distribution;
    normal: Distribution;
    mean(of: readonly number[]): number;
    variance(of: readonly number[], sample: boolean): number;
    studentt: { inv(share: number, freedom: number): number };
    models: { ols(endog: number[], exog: number[][]): { coef: number[] } };
    inv(matrix: number[][]): number[][];
  };
  export default jStat;
}
