import { LINES, type Fault, type Part, type Progress, type Refusal } from '#shared/types'
import { requestTo, type AnswerOf, type BodyOf, type NamedWrite, type WriteKey } from '#shared/writes'

/** The server said no, and why. */
export class RefusedError extends Error {
  constructor(
    readonly status: number,
    readonly refusal: Refusal,
  ) {
    super(refusal.faults.map(fault => fault.reason).join(' ') || 'The server refused this.')
  }
}
/** Where the name of whoever stands at this screen is kept. */
export const SIGNER = 'finitum.signer'

/** It was broken off from here. */
export class CancelledError extends Error {}
/** The server did not answer at all. */
export class AwayError extends Error {}

/** Sends one request; a refusal or silence becomes an error of its own kind. */
export async function api<Answer>(
  path: string,
  options: {
    method?: string
    body?: unknown
    text?: string
    /** a file */
    bytes?: Blob
    type?: string
    signal?: AbortSignal
    heard?: (progress: Progress) => void
  } = {},
): Promise<Answer> {
  let response: Response
  try {
    response = await fetch(path, {
      method: options.method ?? (options.body !== undefined || options.text !== undefined || options.bytes !== undefined ? 'POST' : 'GET'),
      ...(options.body === undefined ? {} : { body: JSON.stringify(withWho(options.body)) }),
      ...(options.text === undefined ? {} : { body: options.text }),
      ...(options.bytes ? { body: options.bytes } : {}),
      headers: { 'content-type': options.type ?? 'application/json', ...(options.heard ? { accept: LINES } : {}) },
      signal: options.signal ?? null,
    })
    if (response.ok && options.heard && response.headers.get('content-type') === LINES)
      return await lastLine<Answer>(response, options.heard)
  } catch (error) {
    if (error instanceof RefusedError) throw error
    throw options.signal?.aborted ? new CancelledError('Cancelled.') : new AwayError('The server is away.')
  }
  if (response.ok) return (await response.json()) as Answer
  const answer = (await response.json().catch(() => ({}))) as { data?: Refusal }
  if (response.status >= 500 && !answer.data?.faults)
    throw new RefusedError(response.status, {
      faults: [{ path: '', reason: 'The server failed at this. Nothing was changed; try again.' }],
    })
  throw new RefusedError(response.status, answer.data ?? { faults: [{ path: '', reason: 'The server refused this.' }] })
}

/** A whole list, part after part; what moved on while it came is there once. @throws as `api` */
export async function allOf<Item extends { readonly id: string }>(path: string): Promise<Item[]> {
  const items = new Map<string, Item>()
  for (let skip: number | null = 0; skip !== null;) {
    const part: Part<Item> = await api<Part<Item>>(skip === 0 ? path : `${path}?skip=${skip}`)
    for (const item of part.items) items.set(item.id, item)
    skip = part.more
  }
  return [...items.values()]
}

/** Does a write; refused, or without an answer, as `api`. @param id  of the thing in its address */
export function write<Key extends NamedWrite>(key: Key, body: BodyOf<Key>, id: string): Promise<AnswerOf<Key>>
export function write<Key extends Exclude<WriteKey, NamedWrite>>(key: Key, body: BodyOf<Key>): Promise<AnswerOf<Key>>
export function write<Key extends WriteKey>(key: Key, body: BodyOf<Key>, id?: string): Promise<AnswerOf<Key>> {
  const { path, method } = requestTo(key, id)
  return api<AnswerOf<Key>>(path, { method, body })
}

/** A write says who stands at this screen, where it does not say it by itself: what waited says who did it then. */
function withWho(body: unknown): unknown {
  const who = localStorage.getItem(SIGNER)
  return who && typeof body === 'object' && body !== null && 'op' in body && !('who' in body) ? { ...body, who } : body
}

/** Hears line after line; the last is the answer or the refusal. */
async function lastLine<Answer>(response: Response, heard: (progress: Progress) => void): Promise<Answer> {
  const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader()
  let rest = ''
  for (;;) {
    const { value, done } = await reader.read()
    if (done) throw new AwayError('The server went away.')
    const lines = (rest + value).split('\n')
    rest = lines.pop()!
    for (const line of lines) {
      const said = JSON.parse(line) as Progress | { answer: Answer } | { refused: { statusCode: number; data: Refusal } }
      if ('answer' in said) return said.answer
      if ('refused' in said) throw new RefusedError(said.refused.statusCode, said.refused.data)
      heard(said)
    }
  }
}

/** The sentence for one field, or for the whole when the path is empty. */
export const faultAt = (faults: readonly Fault[], path: string): string | undefined => faults.find(fault => fault.path === path)?.reason
export const faultsOf = (error: unknown): readonly Fault[] =>
  error instanceof RefusedError
    ? error.refusal.faults
    : [
        {
          path: '',
          reason: error instanceof AwayError ? 'The server is away. Nothing was lost: try again when it is back.' : String(error),
        },
      ]
