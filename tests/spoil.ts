// Values that were spoilt, as a broken program or somebody with bad intent would send them.

const nested = (depth: number) => JSON.parse(`${'{"a":'.repeat(depth)}1${'}'.repeat(depth)}`) as unknown
const BAD: readonly unknown[] = [
  null,
  '',
  ' ',
  0,
  -1,
  1.5,
  2 ** 31,
  2 ** 53,
  1e300,
  true,
  [],
  {},
  [[]],
  [null],
  ['x', 'x'],
  'x\ud800',
  '\u0000',
  '0000-00-00T00:00:00Z',
  '2026-02-31T10:00:00Z',
  '2026-02-31',
  '9999999',
  'x'.repeat(5_000),
  '../../x',
  "'; DROP TABLE job; --",
  '$1',
  nested(40),
  { constructor: { prototype: 1 } },
  JSON.parse('{"__proto__":{"x":1}}'),
  '<script>',
  NaN,
  '😀',
  '\r\n=cmd',
]
/** One of a list. */
export const oneOf = <Item>(random: () => number, of: readonly Item[]): Item => of[Math.floor(random() * of.length)]!

/** Spoils a value in one place: what stands there is another, is missing, is there twice, or has a name it cannot have. */
export function spoiler(random: () => number): (value: unknown) => unknown {
  const one = <Item>(of: readonly Item[]): Item => oneOf(random, of)
  const spoil = (value: unknown): unknown => {
    if (random() < 0.25 || typeof value !== 'object' || value === null) return one(BAD)
    const keys = Object.keys(value)
    if (random() < 0.1) return { ...value, [one(['owner', 'constructor', '__proto__', '\ud800', ''])]: one(BAD) }
    const key = one(keys)
    if (key === undefined) return one(BAD)
    const copy: Record<string, unknown> | unknown[] = Array.isArray(value) ? [...(value as unknown[])] : { ...value }
    const inner = (copy as Record<string, unknown>)[key]
    if (random() < 0.25) {
      if (Array.isArray(copy)) copy.push(inner)
      else Reflect.deleteProperty(copy, key)
    } else (copy as Record<string, unknown>)[key] = spoil(inner)
    return copy
  }
  return spoil
}

/** The places of everything in a value that holds nothing else. */
const leavesOf = (value: unknown, path: readonly string[] = []): (readonly string[])[] =>
  typeof value === 'object' && value !== null && Object.keys(value).length > 0
    ? Object.entries(value).flatMap(([key, inner]) => leavesOf(inner, [...path, key]))
    : [path]

/** Near what it was: what a slip makes of it, which may well be taken. */
function slip(random: () => number, value: unknown): unknown {
  if (typeof value === 'number') return oneOf(random, [0, -value, value + 1, value * 1_000, value / 3])
  if (typeof value === 'string') return oneOf(random, ['', `${value} `, value.slice(1), 'x', `${value}-2`])
  return oneOf(random, [null, true, false, 0, []])
}

/** Changes one of the innermost values, by a slip or badly. */
export function slipIn<Value>(random: () => number, value: Value): Value {
  const copy = structuredClone(value)
  const path = oneOf(random, leavesOf(copy))
  const last = path.at(-1)!
  const within = path.slice(0, -1).reduce<unknown>((inner, key) => (inner as Record<string, unknown>)[key], copy) as Record<string, unknown>
  within[last] = random() < 0.6 ? slip(random, within[last]) : oneOf(random, BAD)
  return copy
}
