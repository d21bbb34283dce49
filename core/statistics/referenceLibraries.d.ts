/** The parts of the reference libraries that the tests hold this folder against. */
declare module 'jstat' {
  const jStat: {
    readonly normal: {
      cdf(x: number, mean: number, sd: number): number
      pdf(x: number, mean: number, sd: number): number
      inv(p: number, mean: number, sd: number): number
    }
    inv(matrix: number[][]): number[][]
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
