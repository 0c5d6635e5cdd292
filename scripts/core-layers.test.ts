import { existsSync, readFileSync, readdirSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { describe, expect, it } from 'vitest'

/** The folders of core: each sees only those before it. */
const LAYERS = [
  ...[
    'quantity',
    'reading',
    'verdict',
    'pack',
    'choice',
    'method',
    'check',
    'command',
    'sheet',
    'line',
    'shop',
    'worksheet',
    'report',
    'trend',
    'label',
  ],
]
/** Computation of others that core rests on; no browser, no server, no database, no clock. */
const PACKAGES = ['ajv', 'canonicalize', 'd3-array']

const files = readdirSync('core', { recursive: true })
  .map(file => join('core', String(file)))
  .filter(file => file.endsWith('.ts') && !file.endsWith('.test.ts'))
const imports = new Map(files.map(file => [file, importsOf(file)]))

function namesIn(file: string): string[] {
  const text = readFileSync(file, 'utf8')
  return [...text.matchAll(/^(?:import|export) [^;]*? from '([^']*)'|^import '([^']*)'|\bimport\('([^']*)'\)/gms)].map(
    ([, from, bare, later]) => (from ?? bare ?? later)!,
  )
}
function importsOf(file: string): string[] {
  const from = namesIn(file)
    .filter(name => name.startsWith('.'))
    .map(path => join(dirname(file), path))
  return from.flatMap(path => [`${path}.ts`, join(path, 'index.ts')].filter(candidate => existsSync(candidate)).slice(0, 1))
}

/** The first way from a file back to itself; types count, too: who reads one has to read the other. */
function circleFrom(start: string): string[] | null {
  const seen = new Set<string>()
  const walk = (file: string, way: readonly string[]): string[] | null => {
    for (const next of imports.get(file) ?? []) {
      if (next === start) return [...way, start]
      if (seen.has(next)) continue
      seen.add(next)
      const found = walk(next, [...way, next])
      if (found) return found
    }
    return null
  }
  return walk(start, [start])
}

describe('core', () => {
  it('has folders that see only those before them', () => {
    const layer = (file: string) => LAYERS.indexOf(file.split('/')[1]!)
    const later = [...imports].flatMap(([file, list]) => list.filter(to => layer(to) > layer(file)).map(to => `${file} → ${to}`))
    expect(later).toEqual([])
    expect(new Set(files.filter(file => file.split('/').length > 2).map(file => file.split('/')[1]!))).toEqual(new Set(LAYERS))
  })
  it('reaches nothing outside itself', () => {
    const out = files.flatMap(file =>
      namesIn(file)
        .filter(name => (name.startsWith('.') ? !join(dirname(file), name).startsWith('core/') : !PACKAGES.includes(name)))
        .map(name => `${file} → ${name}`),
    )
    expect(out).toEqual([])
  })
  it('has files that import each other, and none that imports itself by way of others', () => {
    expect([...imports.values()].flat().length).toBeGreaterThan(500)
    expect(files.flatMap(file => circleFrom(file)?.join(' → ') ?? [])).toEqual([])
  })
  it('has kinds nobody imports but the register', () => {
    const inKind = (file: string) => /^core\/check\/kinds\/([^/]+)\//.exec(file)?.[1]
    const strangers = [...imports].flatMap(([file, list]) =>
      list.filter(to => inKind(to) && inKind(to) !== inKind(file) && file !== 'core/check/registry.ts').map(to => `${file} → ${to}`),
    )
    expect(strangers).toEqual([])
  })
  it('has kinds that know nothing of how they are judged; what is offered over a whole check comes after it', () => {
    const after = ['core/check/kinds/bearing-clearance/options.ts', 'core/check/kinds/gear-train/what-if.ts']
    const looks = [...imports].flatMap(([file, list]) =>
      list
        .filter(to => /^core\/check\/(common|kinds)\//.test(file) && !after.includes(file) && to.startsWith('core/check/evaluate/'))
        .map(to => `${file} → ${to}`),
    )
    expect(looks).toEqual([])
  })
})
