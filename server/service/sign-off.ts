import { CORE_VERSION } from '#core/version'
import { evaluateCheck } from '#core/check/evaluate-check'
import { checkAnswer } from '#core/worksheet/evaluate'
import type { CheckView } from '#shared/types'
import type { ReopenDto, SignOffDto } from '#shared/dto/check'
import { insertReopening, insertSignOff, openSignOff } from '../database/sign-offs'
import type { Database } from '../database/client'
import { releaseAll } from '../database/reserves'
import { refuse, refuseAll } from '../http/refuse'
import { commandCheck } from './command'

/** Locks the check. Inputs, uncertainty budget, verdict and core version are kept with the signature. */
export const signOff = (db: Database, id: string, dto: SignOffDto): Promise<CheckView> =>
  commandCheck(db, id, dto, async (sql, { document, lots }) => {
    const { signOff: gate } = evaluateCheck(document, lots)
    if (gate.blockers.length > 0) throw refuseAll(gate.blockers.map(reason => ({ path: '', reason })))
    const reason = dto.reason?.trim() || null
    if (gate.needsReason && !reason) throw refuse(422, `This can be signed only with a reason: ${gate.needsReason}.`, 'reason')
    await insertSignOff(
      sql,
      dto.op,
      id,
      { at: new Date().toISOString(), by: dto.by.trim(), reason, core: CORE_VERSION },
      { inputs: document, answer: checkAnswer(document, lots) },
    )
    await releaseAll(sql, id)
    return `Signed off by ${dto.by.trim()}`
  })

export const reopen = (db: Database, id: string, dto: ReopenDto): Promise<CheckView> =>
  commandCheck(
    db,
    id,
    dto,
    async sql => {
      const signed = await openSignOff(sql, id)
      if (!signed) throw refuse(409, 'This check is not signed off.')
      await insertReopening(sql, signed.id, dto.reason.trim(), dto.by.trim())
      return `Reopened by ${dto.by.trim()}: ${dto.reason.trim()}`
    },
    true,
  )
