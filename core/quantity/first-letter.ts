/** A sentence to stand inside another: `Take out 5.33 (C)` → `take out 5.33 (C)`. Names further on keep their capitals. */
export const lowerFirst = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1)
/** The beginning of a sentence. */
export const upperFirst = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1)
