/** The parts of the reference libraries that the tests hold this folder against. */
declare module 'jstat' {
  const jStat: {
    readonly normal: {
      cdf(x: number, mean: number, sd: number): number
      pdf(x: number, mean: number, sd: number): number
      inv(p: number, mean: number, sd: number): number
    }
    readonly beta: {
      mean(alpha: number, beta: number): number
    }
    inv(matrix: number[][]): number[][]
    mean(values: readonly number[]): number
    stdev(values: readonly number[], ofSample: boolean): number
    anovafscore(groups: readonly (readonly number[])[]): number
    readonly models: { ols(values: readonly number[], terms: readonly (readonly number[])[]): { coef: number[] } }
    covariance(one: readonly number[], other: readonly number[]): number
    corrcoeff(one: readonly number[], other: readonly number[]): number
    geomean(values: readonly number[]): number
    readonly chisquare: { inv(p: number, freedom: number): number }
  }
  export default jStat
}
declare module 'kalman-filter' {
  interface State {
    mean: number[][]
    covariance: number[][]
  }
  export class KalmanFilter {
    constructor(model: object)
    filter(step: { previousCorrected: State | null; observation: number[] }): State
  }
}
declare module 'numeric' {
  const numeric: {
    uncmin(loss: (at: number[]) => number, start: number[], tolerance?: number): { solution: number[]; f: number }
  }
  export default numeric
}
