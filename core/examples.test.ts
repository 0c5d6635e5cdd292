import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'

// The examples in the docstrings are true: `@example thou(19) // 482600`.

const sources = readdirSync('core', { recursive: true })
  .map(file => join('core', String(file)))
  .filter(file => file.endsWith('.ts') && !file.endsWith('.test.ts'))
const modules = sources.filter(file =>
  /^core\/(quantity|reading|verdict|pack|trend|sheet)\/[^/]+$|^core\/choice\/(grounds|window|answer|question)\/[^/]+$|\/setting\.ts$/.test(
    file,
  ),
)
const scope = Object.assign(
  {},
  ...(await Promise.all(modules.map(file => import(join(process.cwd(), file)) as Promise<object>))),
) as Record<string, unknown>
const names = Object.keys(scope)
const valueOf = (expression: string): unknown =>
  (new Function(...names, `return (${expression})`) as (...values: unknown[]) => unknown)(...names.map(name => scope[name]))

const examples = sources.flatMap(file =>
  [...readFileSync(file, 'utf8').matchAll(/@example (.+?) \/\/ (.+?)(?: \*\/)?$/gm)].map(([, expression, gives]) => ({
    file,
    expression: expression!,
    gives: gives!,
  })),
)

describe('an example in a docstring', () => {
  it('is there for whoever reads quantities, readings, verdicts and packs first', () => {
    for (const folder of ['quantity', 'reading', 'verdict', 'pack'])
      expect(examples.filter(({ file }) => file.startsWith(`core/${folder}/`)).length, folder).toBeGreaterThanOrEqual(5)
  })
  it.each(examples)('is true: $expression', ({ expression, gives }) => {
    const [found, said] = [valueOf(expression), valueOf(gives)]
    if (typeof said === 'number') expect(found).toBeCloseTo(said, Math.max(0, 6 - String(Math.trunc(Math.abs(said))).length))
    else if (typeof said === 'object' && said !== null) expect(found).toMatchObject(said)
    else expect(found).toEqual(said)
  })
})
