/** A sentence to stand inside another: `Take out 8.04 (V)` → `take out 8.04 (V)`. Names further on keep their capitals. */
export const lowerFirst = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1)
