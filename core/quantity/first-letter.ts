/** A sentence to stand inside another: `Take out 5.33 (C)` → `take out 5.33 (C)`. A letter that is a name keeps its capital: `F, to the fingers`. */
export const lowerFirst = (words: string): string => (/^[A-Z][,:·A-Z]/.test(words) ? words : words.charAt(0).toLowerCase() + words.slice(1))
/** The beginning of a sentence. */
export const upperFirst = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1)
