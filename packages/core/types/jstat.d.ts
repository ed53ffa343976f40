declare module 'jstat' {
  interface TwoParameter {
    cdf(x: number, a: number, b: number): number;
    inv(p: number, a: number, b: number): number;
  }
  interface OneParameter {
    cdf(x: number, a: number): number;
    inv(p: number, a: number): number;
  }
  const jStat: {
    beta: TwoParameter;
    normal: TwoParameter;
    studentt: OneParameter;
    chisquare: OneParameter;
    centralF: TwoParameter;
  };
  export default jStat;
}
