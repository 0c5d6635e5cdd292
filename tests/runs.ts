/** How often a property is tried: a tenth of it in every run, all of it in `npm run test:long`, less over many mutants. */
export const runs = (count: number, least = 25): number =>
  Math.min(count, Math.max(least, Math.ceil(count * Number(process.env.PROPERTY_SHARE ?? 0.1))))

/** A comparison so many times; a fault names its case. */
export function caseByCase(count: number, compare: () => void): void {
  for (let i = 0; i < count; i++)
    try {
      compare()
    } catch (error) {
      throw new Error(`Case ${i}: ${(error as Error).message}`, { cause: error })
    }
}

/** What is not news each time runs in `npm run test:long` alone: `it.runIf(inLong)`, and `@long` in the browser tests. */
export const inLong = process.env.LONG === 'yes'
