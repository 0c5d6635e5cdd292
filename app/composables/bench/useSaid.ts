/** What is to be said on the next page, once: a job that could not begin quite as its route has it. */
export const useSaid = () => useState<readonly string[]>('said', () => [])
