import { plainToInstance } from 'class-transformer'
import { validate, type ValidationError } from 'class-validator'
import { getQuery, getRequestHeader, readRawBody, type H3Event } from 'h3'
import type { Fault } from '#shared/types'
import { refuse, refuseAll } from './refuse'

const LARGEST_COMMAND = 64_000

/** The body as text, refused before it is read when it says it is too large. */
export async function readText(event: H3Event, largest: number): Promise<string> {
  const tooLarge = () => refuse(413, `That is too large: ${Math.round(largest / 1000)} kB at most.`)
  if (Number(getRequestHeader(event, 'content-length') ?? 0) > largest) throw tooLarge()
  const text = (await readRawBody(event, 'utf8')) ?? ''
  if (text.length > largest) throw tooLarge()
  if (/\0|\\u0000/.test(text)) throw refuse(400, 'The text holds a zero character, which cannot be stored.')
  return text
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
  return validated(type, plain)
}

/** The query as a validated DTO. */
export const readQuery = <Dto extends object>(event: H3Event, type: new () => Dto): Promise<Dto> => validated(type, getQuery(event))

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
