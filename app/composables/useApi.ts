import type { Fault, Refusal } from '#shared/types'

/** The server said no, and why. */
export class RefusedError extends Error {
  constructor(
    readonly status: number,
    readonly refusal: Refusal,
  ) {
    super(refusal.faults.map(fault => fault.reason).join(' ') || 'The server refused this.')
  }
}
/** The server did not answer at all. */
export class AwayError extends Error {}

/** Sends one request; a refusal or silence becomes an error of its own kind. */
export async function api<Answer>(
  path: string,
  options: { method?: string; body?: unknown; text?: string; type?: string } = {},
): Promise<Answer> {
  let response: Response
  try {
    response = await fetch(path, {
      method: options.method ?? (options.body !== undefined || options.text !== undefined ? 'POST' : 'GET'),
      ...(options.body === undefined ? {} : { body: JSON.stringify(options.body) }),
      ...(options.text === undefined ? {} : { body: options.text }),
      headers: { 'content-type': options.type ?? 'application/json' },
    })
  } catch {
    throw new AwayError('The server is away.')
  }
  if (response.ok) return (await response.json()) as Answer
  const answer = (await response.json().catch(() => ({}))) as { data?: Refusal }
  if (response.status >= 500 && !answer.data?.faults)
    throw new RefusedError(response.status, {
      faults: [{ path: '', reason: 'The server failed at this. Nothing was changed; try again.' }],
    })
  throw new RefusedError(response.status, answer.data ?? { faults: [{ path: '', reason: 'The server refused this.' }] })
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
