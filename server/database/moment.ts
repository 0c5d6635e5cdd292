/** 31 February becomes 3 March here instead of an error of the database. */
export const moment = (at: string) => new Date(at).toISOString()
