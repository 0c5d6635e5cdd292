import { reads } from '~/composables/keys/readsAs'

declare module 'vue' {
  interface GlobalDirectives {
    vReads: typeof reads
  }
}

export default defineNuxtPlugin(({ vueApp }) => void vueApp.directive('reads', reads))
