import { createHash } from 'node:crypto'
import { plainToInstance } from 'class-transformer'
import { validate, type ValidationError } from 'class-validator'
import { getQuery, getRequestHeader, setResponseHeader, type H3Event } from 'h3'
import { OperationDto } from '#shared/dto/command'
import type { Fault } from '#shared/types'
import { unfit } from '#core/worksheet/plain'
import { Gone, refuse, refuseAll } from './refuse'

const LARGEST_COMMAND = 64_000
const BOUNDS = { deepest: 12, most: 20_000 }

const sizeWords = (bytes: number) => (bytes >= 10e6 ? `${Math.round(bytes / 1e6)} MB` : `${Math.round(bytes / 1000)} kB`)

/** The body as text: see `readBytes`. */
export const readText = async (event: H3Event, largest: number): Promise<string> => (await readBytes(event, largest)).toString('utf8')

/** The body. It is refused by its length before it is read, or while: no more of it is kept than is asked for. */
export async function readBytes(event: H3Event, largest: number): Promise<Buffer> {
  const tooLarge = () => refuse(413, `That is too large: ${sizeWords(largest)} at most.`)
  if (Number(getRequestHeader(event, 'content-length') ?? 0) > largest) throw tooLarge()
  const parts: Buffer[] = []
  let length = 0
  try {
    for await (const part of event.node.req as AsyncIterable<Buffer>) {
      length += part.length
      if (length > largest) {
        // The rest is not waited for.
        setResponseHeader(event, 'connection', 'close')
        throw tooLarge()
      }
      parts.push(part)
    }
  } catch (error) {
    throw (error as { code?: string }).code === 'ECONNRESET' ? new Gone() : error
  }
  return Buffer.concat(parts)
}

/** The body as a validated DTO: unknown fields, wrong types and bad values come back with their place and a sentence. */
export async function readDto<Dto extends object>(event: H3Event, type: new () => Dto): Promise<Dto> {
  const text = await readText(event, LARGEST_COMMAND)
  let plain: unknown
  try {
    plain = JSON.parse(text)
  } catch {
    throw refuse(400, 'The body is not JSON.')
  }
  if (typeof plain !== 'object' || plain === null || Array.isArray(plain)) throw refuse(400, 'The body must be a JSON object.')
  const fault = unfit(plain, BOUNDS)
  if (fault) throw refuse(422, fault.reason, fault.path)
  const dto = await validated(type, plain)
  if (dto instanceof OperationDto) dto.content = contentOf(event, plain)
  return dto
}

/** What was sent, and where to; sent again it may have seen a newer version, and somebody else may stand there. */
const contentOf = (event: H3Event, plain: object): string =>
  createHash('sha256')
    .update(JSON.stringify([event.path, { ...plain, version: undefined, who: undefined }]))
    .digest('base64url')

/** The query as a validated DTO. */
export async function readQuery<Dto extends object>(event: H3Event, type: new () => Dto): Promise<Dto> {
  const query = getQuery(event)
  const fault = unfit(query, BOUNDS)
  if (fault) throw refuse(422, fault.reason, fault.path)
  return validated(type, query)
}

async function validated<Dto extends object>(type: new () => Dto, plain: object): Promise<Dto> {
  const dto = plainToInstance(type, plain)
  const errors = await validate(dto, { whitelist: true, forbidNonWhitelisted: true, forbidUnknownValues: true })
  if (errors.length > 0) throw refuseAll(faults(errors))
  return dto
}

function faults(errors: readonly ValidationError[], at = ''): Fault[] {
  return errors.flatMap(error => {
    const path = at ? `${at}.${error.property}` : error.property
    return [
      ...Object.entries(error.constraints ?? {}).map(([rule, text]) => ({ path, reason: sentence(rule, text, error.property) })),
      ...faults(error.children ?? [], path),
    ]
  })
}

function sentence(rule: string, text: string, property: string): string {
  if (rule === 'whitelistValidation') return 'This field is not known.'
  if (/[.?…]$/.test(text)) return text
  return `${text.replace(new RegExp(`^${property} `), 'It ')}.`
}
