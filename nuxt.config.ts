import { cpSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import tailwindcss from '@tailwindcss/vite'
import type { Nitro } from 'nitropack/types'
import { APART, bundleDesk } from './scripts/desk-bundle.mjs'
import { readerSource } from './scripts/reader-source.mjs'
import { PREPARED, prepareDatabases } from './server/database/from-source'
import { HEADERS, WORKERS } from './server/http/headers'
import type { Nuxt } from 'nuxt/schema'

const fromRoot = (path: string) => fileURLToPath(new URL(path, import.meta.url))

// class-validator's decorators need the legacy transform in every place that compiles TypeScript.
const decorators = { compilerOptions: { experimentalDecorators: true, noUncheckedIndexedAccess: true } }

/** The pages module names a plugin for vue-tsc that this vue-router does not bring; the type check would warn of it at every run. */
const noRouteBlocks = (_options: unknown, nuxt: Nuxt) => {
  nuxt.hook('modules:done', () => {
    nuxt.hook('prepare:types', ({ tsConfig: { vueCompilerOptions: options } }) => {
      if (options) options.plugins = options.plugins?.filter(plugin => !String(plugin).startsWith('vue-router/'))
    })
  })
}

const prepare = async (): Promise<void> => void (await Promise.all([prepareDatabases(), bundleDesk()]))
/** What the build does not see. */
async function layBeside(nitro: Nitro): Promise<void> {
  copyLockBinary(nitro)
  await bundleDesk(join(nitro.options.output.serverDir, 'desk.mjs'))
}
/** The folder’s lock is a call of the operating system: its binary is found at run time, which the build does not see. */
function copyLockBinary(nitro: Nitro): void {
  const of = join('node_modules/fs-native-extensions/prebuilds', `${process.platform}-${process.arch}`)
  cpSync(fromRoot(`./${of}`), join(nitro.options.output.serverDir, of), { recursive: true })
}

const APART_OF_CORE = new RegExp(
  `/core/(${[
    'command/(settings|begin)',
    'pack/read-kit',
    'method/(micrometer/setting|bore-gauge/builder)',
    'check/(which|library)',
    'check/sentence/(setup-words|closing-card|fittings-told)',
    'check/evaluate/(matched-set|before-after|lacking)',
    'check/kinds/(bearing-clearance/options|gear-train/what-if|comparator-hub/trials)',
  ].join('|')})\\.ts$`,
)
/** What is loaded together is one file: a page asked for a hundred small ones costs more than the little it does not need. */
function roomOf(path: string): string | undefined {
  const of = path.replace(/\?.*/, '')
  // Dialogs come when one is opened.
  if (/\/node_modules\/@headlessui\//.test(of)) return 'dialogs'
  // Named, or the packages beside it would drag it along: only trends have an axis of dates.
  if (/\/node_modules\/d3-time\//.test(of)) return 'dates'
  if (/\/node_modules\//.test(of)) return /\/(pdfmake|papaparse|axe-core)/.test(of) ? undefined : 'packages'
  // What only other pages need, or a panel that is opened: it goes with those.
  if (APART_OF_CORE.test(of)) return undefined
  if (/\/core\/(quantity|reading|verdict|pack|method|check|command)\/.*\.ts$/.test(of)) return 'core'
  // What a kind draws for itself is fetched with a check of that kind.
  const [, kind] = /\/app\/components\/bench\/kinds\/([^/]+)\//.exec(of) ?? []
  if (kind !== undefined) return `kind-${kind}`
  // What is opened now and then comes when it is.
  if (
    /\/(TrendPlot|LedgerPlot|SlopePlot|PlotFrame|MakePanel|CataloguePanel|OrderPanel|DrawerHere|OwnPack|LimitsPanel|LimitEditor|LimitFields|StripScale|NewGaugeHere|DialogFrame|MicrometerDrawing|ExplainDialog|ClosingCard|SetupPanel|SetupFields|PackRulesFields|OtherWays|WaysCompared|TargetPanel|JournalRow|ResultPanel|ResultTable|StackDrawing|PlaceOrders)\.vue$/.test(
      of,
    )
  )
    return undefined
  // What is proved is proved after it was measured.
  if (/\/app\/components\/bench\/prove\//.test(of)) return undefined
  return /\/app\/(components\/(bench|chart)|workers)\//.test(of) ? 'bench' : undefined
}

export default defineNuxtConfig({
  modules: ['@pinia/nuxt', noRouteBlocks],
  // The bench lives in the browser (drafts, outbox, worker); the server only answers the API and hands out the page.
  ssr: false,
  components: [{ path: '~/components', pathPrefix: false, extensions: ['vue'] }],
  devtools: { enabled: false },
  app: {
    head: {
      title: 'Finitum',
      htmlAttrs: { lang: 'en' },
      meta: [{ name: 'viewport', content: 'width=device-width, initial-scale=1' }],
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/mark.svg' }],
      script: [{ innerHTML: readFileSync(fromRoot('./app/early/gather.js'), 'utf8') }],
    },
  },
  css: ['~/assets/main.css'],
  alias: { '#core': fromRoot('./core') },
  compatibilityDate: '2026-01-01',
  nitro: {
    moduleSideEffects: ['reflect-metadata'],
    // Packed once, as well as that goes; answers are packed as they are sent.
    compressPublicAssets: { gzip: true, brotli: true },
    hooks: { 'build:before': prepare, 'compiled': layBeside },
    // The desk’s worker lies beside the server and finds its packages there.
    externals: { traceInclude: APART.map(name => fileURLToPath(import.meta.resolve(name))) },
    rollupConfig: { plugins: [readerSource()] },
    routeRules: { '/**': { headers: { ...HEADERS } } },
    typescript: { tsConfig: decorators },
    esbuild: { options: { tsconfigRaw: decorators, target: 'es2022' } },
    serverAssets: [
      { baseName: 'migrations', dir: fromRoot('./server/database/migrations') },
      { baseName: 'prepared', dir: fromRoot(PREPARED), pattern: '*.tar.gz' },
      // What a report on paper is set in; of the package only the two faces are taken along.
      { baseName: 'faces', dir: fromRoot('./node_modules/@expo-google-fonts/inter'), pattern: '{400Regular,700Bold}/*.ttf' },
    ],
  },
  // A shop’s own machine answers at once: what stands behind a link is fetched when somebody goes there.
  experimental: { defaults: { nuxtLink: { prefetch: false } } },
  vite: {
    plugins: [tailwindcss()],
    // Scales of figures alone.
    resolve: { alias: Object.fromEntries(['d3-interpolate', 'd3-format'].map(name => [name, fromRoot(`./app/light/${name}.ts`)])) },
    $client: { build: { rollupOptions: { output: { manualChunks: roomOf } } } },
    // By themselves: the policy of a worker is the one its own file comes with.
    worker: { format: 'es', rollupOptions: { output: { entryFileNames: `_nuxt/${WORKERS}/[name]-[hash].js` } } },
    esbuild: { tsconfigRaw: decorators },
  },
  typescript: {
    strict: true,
    // What is not used in a component either, its template included.
    tsConfig: { compilerOptions: { ...decorators.compilerOptions, noUnusedLocals: true } },
    sharedTsConfig: decorators,
  },
  telemetry: false,
})
