/** How often a property is tried: a tenth of it in every run, all of it in `npm run test:long`, less over many mutants. */
export const runs = (count: number, least = 25): number => Math.max(least, Math.ceil(count * Number(process.env.PROPERTY_SHARE ?? 0.1)))
