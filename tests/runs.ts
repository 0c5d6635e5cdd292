/** How often a property is tried; a run over many mutants takes a share of it. */
export const runs = (count: number): number => Math.max(25, Math.ceil(count * Number(process.env.PROPERTY_SHARE ?? 1)))
