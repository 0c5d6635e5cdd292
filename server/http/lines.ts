import { getRequestHeader, type H3Event } from 'h3'
import { LINES, type Progress } from '#shared/types'

/** A long request: whoever asks for lines hears how far it is, and it ends when whoever asked has gone. */
export function listener(event: H3Event): { readonly signal: AbortSignal; readonly said?: (progress: Progress) => void } {
  const { res } = event.node
  const gone = new AbortController()
  res.once('close', () => {
    if (!res.writableFinished) gone.abort()
  })
  if (getRequestHeader(event, 'accept') !== LINES) return { signal: gone.signal }
  return {
    signal: gone.signal,
    said(progress) {
      if (!res.headersSent) res.setHeader('content-type', LINES)
      line(event, progress)
    },
  }
}

/** The end of an answer: by itself, or the last line where lines were sent. */
export function ended(event: H3Event, last: { readonly answer: unknown } | { readonly refused: unknown }): unknown {
  const { res } = event.node
  if (!res.headersSent) return 'answer' in last ? last.answer : last.refused
  line(event, last)
  res.end()
  return undefined
}

const line = ({ node: { res } }: H3Event, value: unknown) => void res.write(`${JSON.stringify(value)}\n`)
