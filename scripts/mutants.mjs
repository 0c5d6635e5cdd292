// npm run mutants [-- --seed=7 --count=300 | --first | --full | core/pack]: small faults put into core one by one, to see which of them no test notices.
// The default is a seeded sample, --first its first step alone; --full goes through all of them and takes up where it stopped. Not part of npm test.
// What runs when a module or a group of tests loads meets every test, and takes long: first each fault meets the tests that run over it,
// then what is left meets all of them, loaded anew. A record says that something moved, not that it is wrong: the records come last, alone.
import { readFileSync, readdirSync } from 'node:fs'
import { join, relative } from 'node:path'
import { checkNode, ensureInstalled, root, say } from './prepare.mjs'

checkNode()
ensureInstalled()
const { Stryker } = await import('@stryker-mutator/core')
const { Instrumenter } = await import('@stryker-mutator/instrumenter')
const WORDS_ASIDE = join(root, 'scripts/words-aside.mjs')
const { WORDS, wordsAside } = await import('./words-aside.mjs')

const option = name => process.argv.find(arg => arg.startsWith(`--${name}=`))?.split('=')[1]
const full = process.argv.includes('--full')
const seed = Number(option('seed') ?? 1)
const count = Number(option('count') ?? 600)
const within = process.argv.slice(2).filter(arg => !arg.startsWith('--'))
/** Words are read by people, not by tests. */
const excludedMutations = ['StringLiteral']

const files = readdirSync(join(root, 'core'), { recursive: true })
  .map(file => join('core', String(file)))
  .filter(file => file.endsWith('.ts') && !file.endsWith('.test.ts') && (within.length === 0 || within.some(part => file.startsWith(part))))
  .sort()

/** The same numbers for the same seed. */
function stream(state) {
  return () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0
    return state / 2 ** 32
  }
}

/** So many mutants, as the places in the code they are made of; what lies inside a place comes with it. */
async function sample() {
  const quiet = { isTraceEnabled: () => false, isDebugEnabled: () => false, debug() {}, info() {}, warn() {}, error() {}, trace() {} }
  const all = await new Instrumenter(quiet).instrument(
    files.map(file => ({ name: join(root, file), content: readFileSync(join(root, file), 'utf8'), mutate: true })),
    { plugins: null, excludedMutations, ignorers: [wordsAside] },
  )
  // What is said of one before it is run, is why it is none of these.
  const mutants = all.mutants.filter(({ statusReason }) => !statusReason)
  const random = stream(seed)
  const shuffled = mutants
    .map(mutant => [random(), mutant])
    .sort((a, b) => a[0] - b[0])
    .map(([, mutant]) => mutant)
  const inside = (a, b) =>
    a.fileName === b.fileName &&
    (a.location.start.line > b.location.start.line ||
      (a.location.start.line === b.location.start.line && a.location.start.column >= b.location.start.column)) &&
    (a.location.end.line < b.location.end.line ||
      (a.location.end.line === b.location.end.line && a.location.end.column <= b.location.end.column))
  const taken = new Set()
  const places = []
  for (const mutant of shuffled) {
    if (taken.size >= count) break
    if (taken.has(mutant)) continue
    const inner = mutants.filter(other => inside(other, mutant))
    // A whole body would bring hundreds with it.
    if (inner.length > 12) continue
    for (const other of inner) taken.add(other)
    const { start, end } = mutant.location
    places.push(`${relative(root, mutant.fileName)}:${start.line + 1}:${start.column}-${end.line + 1}:${end.column}`)
  }
  say(`${taken.size} of ${mutants.length} mutants of core, seed ${seed}`)
  return places
}

// Each mutant meets every property, a part of the times it is tried otherwise.
process.env.PROPERTY_SHARE ??= '0.05'
/**
 * @param by  the `quick` ones of the tests that say what is wrong, all those `tests`, or the `records`
 */
const run = (by, mutate) => {
  process.env.MUTANTS_BY = by
  // Its tests are loaded anew with each fault: with it in what runs at loading, too.
  const loaded = by !== 'quick'
  return new Stryker({
    testRunner: 'vitest',
    plugins: ['@stryker-mutator/vitest-runner', WORDS_ASIDE],
    ignorers: ['words-aside'],
    vitest: { configFile: 'vitest.mutants.config.ts', related: false },
    coverageAnalysis: loaded ? 'off' : 'perTest',
    ignoreStatic: !loaded,
    mutate,
    mutator: { excludedMutations },
    concurrency: Number(option('concurrency') ?? 2),
    timeoutMS: 20_000,
    incremental: full,
    incrementalFile: join(root, `node_modules/.cache/finitum/mutants-${by}.json`),
    tempDirName: 'node_modules/.cache/finitum/mutants',
    ignorePatterns: ['.nuxt', '.output', 'data', 'docs', 'server', 'test-results', 'tests/e2e'],
    reporters: ['progress-append-only'],
    disableTypeChecks: false,
    checkers: [],
    allowConsoleColors: false,
    logLevel: 'error',
  }).runMutationTest()
}
const isNoticed = ({ status }) => status === 'Killed' || status === 'Timeout'
const isCounted = ({ status, statusReason = '' }) =>
  status !== 'CompileError' && status !== 'RuntimeError' && statusReason !== WORDS && !/excluded mutation/i.test(statusReason)
/** Results count lines and columns from one, a range its columns from nothing. */
const placeOf = ({ fileName, location: { start, end } }) =>
  `${relative(root, fileName)}:${start.line}:${start.column - 1}-${end.line}:${end.column - 1}`
const nameOf = mutant => `${placeOf(mutant)} ${mutant.replacement}`
const sayOf = mutant => `${placeOf(mutant)} ${String(mutant.replacement).replaceAll(/\s+/g, ' ').slice(0, 90)}`

/** What is left of these after another way to look; what lies inside the place of one comes with it. */
async function leftOf(list, by) {
  if (list.length === 0) return []
  const noticed = new Set((await run(by, [...new Set(list.map(placeOf))])).filter(isNoticed).map(nameOf))
  return list.filter(mutant => !noticed.has(nameOf(mutant)))
}
const all = (await run('quick', full ? files : await sample())).filter(isCounted)
const first = all.filter(mutant => !isNoticed(mutant))
if (process.argv.includes('--first')) {
  for (const mutant of first) say(`Left by the first step: ${sayOf(mutant)}`)
  say(`The first step leaves ${first.length} of ${all.length}`)
  process.exit()
}
const left = await leftOf(first, 'tests')
const survived = await leftOf(left, 'records')
const only = left.filter(mutant => !survived.includes(mutant))
const share = of => `${of.length} (${((100 * of.length) / all.length).toFixed(1)} %)`
for (const [what, list] of [
  ['Only by a record', only],
  ['Survived', survived],
])
  for (const mutant of list) say(`${what}: ${sayOf(mutant)}`)
say(
  `Of ${all.length}: killed ${share(all.filter(mutant => !left.includes(mutant)))}, ` +
    `only by a record ${share(only)}, survived ${share(survived)}; the last two ${share(left)}`,
)
