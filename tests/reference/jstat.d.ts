declare module 'jstat' {
  interface Distribution {
    cdf(x: number, ...parameters: number[]): number
    inv(p: number, ...parameters: number[]): number
  }
  export const jStat: { studentt: Distribution; normal: Distribution; chisquare: Distribution }
}
