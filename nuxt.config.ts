import { fileURLToPath } from 'node:url'
import tailwindcss from '@tailwindcss/vite'

const fromRoot = (path: string) => fileURLToPath(new URL(path, import.meta.url))

// class-validator's decorators need the legacy transform in every place that compiles TypeScript.
const decorators = { compilerOptions: { experimentalDecorators: true, noUncheckedIndexedAccess: true } }

export default defineNuxtConfig({
  compatibilityDate: '2026-01-01',
  telemetry: false,
  // The bench lives in the browser (drafts, outbox, worker); the server only answers the API and hands out the page.
  ssr: false,
  devtools: { enabled: false },
  modules: ['@pinia/nuxt', '@nuxt/eslint'],
  css: ['~/assets/main.css'],
  alias: { '#core': fromRoot('./core') },
  components: [{ path: '~/components', pathPrefix: false }],
  app: {
    head: {
      title: 'Finitum',
      htmlAttrs: { lang: 'en' },
      meta: [{ name: 'viewport', content: 'width=device-width, initial-scale=1' }],
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/mark.svg' }],
    },
  },
  vite: {
    plugins: [tailwindcss()],
    worker: { format: 'es' },
    esbuild: { tsconfigRaw: decorators },
  },
  nitro: {
    moduleSideEffects: ['reflect-metadata'],
    typescript: { tsConfig: decorators },
    esbuild: { options: { tsconfigRaw: decorators, target: 'es2022' } },
    serverAssets: [{ baseName: 'migrations', dir: fromRoot('./server/database/migrations') }],
  },
  typescript: {
    strict: true,
    tsConfig: decorators,
    sharedTsConfig: decorators,
  },
  eslint: { config: { stylistic: true } },
})
