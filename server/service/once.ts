import type { OperationDto } from '#shared/dto/command'
import type { Sql } from '../database/client'
import { contentSent } from '../database/events'
import { refuse } from '../http/refuse'

/**
 * Was this write made already? Sending it twice is harmless.
 * @throws Refused where another one was made under its id
 */
export async function isRepeat(sql: Sql, { op, content }: Pick<OperationDto, 'op' | 'content'>): Promise<boolean> {
  const sent = await contentSent(sql, op)
  if (typeof sent === 'string' && content !== undefined && sent !== content)
    throw refuse(409, 'Something else was sent under this id already.', 'op')
  return sent !== undefined
}
