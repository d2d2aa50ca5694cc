/** The parts of jStat that tests compare with; the package brings no types. */
declare module 'jstat' {
  interface Distribution {
    cdf(x: number, shape: number, scale: number): number;
    inv(share: number, shape: number, scale: number): number;
  }
  const jStat: {
    gammaln(x: number): number;
    gamma: Distribution;
    studentt: { inv(share: number, freedom: number): number };
  };
  export default jStat;
}
