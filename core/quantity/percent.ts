/**
 * A chance as it is shown everywhere: `87 %`, never 100 nor 0.
 * @example percent(0.971) // '97 %'
 */
export const percent = (chance: number): string => (chance >= 0.995 ? '> 99 %' : chance < 0.005 ? '< 1 %' : `${Math.round(chance * 100)} %`)
