import { reads, takes } from '~/composables/keys/readsAs'

declare module 'vue' {
  interface GlobalDirectives {
    vReads: typeof reads
    vTakes: typeof takes
  }
}

export default defineNuxtPlugin(({ vueApp }) => {
  vueApp.directive('reads', reads)
  vueApp.directive('takes', takes)
})
