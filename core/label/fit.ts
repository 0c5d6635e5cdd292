/** What stands on a label: a name, and lines under it. */
export interface LabelText {
  readonly title: string
  readonly lines: readonly string[]
}
export interface Fitted {
  /** of the lines, points; the title is a quarter larger */
  readonly size: number
  readonly title: readonly string[]
  readonly lines: readonly string[]
  /** it did not all fit, even small */
  readonly cut: boolean
}

/** Points. */
const SIZES = [9, 8, 7, 6] as const
const TITLE = 1.25
const LEADING = 1.22
/** Mean width of a sign, as a part of the type size, a little on the wide side. */
const SIGN = 0.56

/** Words of a line broken where they do not fit; a word longer than the line is broken itself. */
function wrapped(text: string, signs: number): string[] {
  const lines: string[] = []
  for (const word of text.split(/\s+/).filter(Boolean)) {
    const parts = word.length > signs ? (word.match(new RegExp(`.{1,${signs}}`, 'gu')) ?? []) : [word]
    for (const part of parts) {
      const last = lines.at(-1)
      if (last !== undefined && last.length + 1 + part.length <= signs) lines[lines.length - 1] = `${last} ${part}`
      else lines.push(part)
    }
  }
  return lines
}

/**
 * The text of a label in the largest type it fits in; where it does not even in the smallest, what is too much is left out and marked.
 * @param width   of the room for it, points
 * @param height  points
 */
export function fitText({ title, lines }: LabelText, width: number, height: number): Fitted {
  const laid = (size: number) => ({
    size,
    title: wrapped(title, Math.max(4, Math.floor(width / (size * TITLE * SIGN)))),
    lines: lines.flatMap(line => wrapped(line, Math.max(4, Math.floor(width / (size * SIGN))))),
  })
  const tall = ({ size, title: head, lines: body }: ReturnType<typeof laid>) => (head.length * TITLE + body.length) * size * LEADING
  const fits = SIZES.map(laid).find(all => tall(all) <= height)
  if (fits) return { ...fits, cut: false }
  const small = laid(SIZES.at(-1)!)
  const room = Math.max(1, Math.floor(height / (small.size * LEADING) - small.title.length * TITLE))
  const head = small.title.slice(0, Math.max(1, Math.floor(height / (small.size * TITLE * LEADING))))
  const body = small.lines.slice(0, room)
  const marked = (all: readonly string[]) => [...all.slice(0, -1), `${(all.at(-1) ?? '').slice(0, -1)}…`]
  return {
    size: small.size,
    title: head.length < small.title.length ? marked(head) : head,
    lines: body.length > 0 ? marked(body) : [],
    cut: true,
  }
}
