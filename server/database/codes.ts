import type { Coded } from '#core/label/code'
import type { Sql } from './client'

/** The number of a thing’s code; it gets one the first time. */
export async function codeNumber(sql: Sql, thing: Coded, id: string): Promise<number> {
  await sql.rows('INSERT INTO code (thing, thing_id) VALUES ($1, $2) ON CONFLICT (thing, thing_id) DO NOTHING', [thing, id])
  return (await sql.rows<{ number: number }>('SELECT number FROM code WHERE thing = $1 AND thing_id = $2', [thing, id]))[0]!.number
}
/** What a number is of. */
export const codedThing = async (sql: Sql, thing: Coded, number: number): Promise<string | undefined> =>
  (await sql.rows<{ thing_id: string }>('SELECT thing_id FROM code WHERE thing = $1 AND number = $2', [thing, number]))[0]?.thing_id
