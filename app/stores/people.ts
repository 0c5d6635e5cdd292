import { defineStore } from 'pinia'
import { ref } from 'vue'
import { api } from '~/composables/server/useApi'
import type { Person } from '#shared/record'

/** Who works here: asked for once, and again when it was changed from here. */
export const usePeople = defineStore('people', () => {
  const people = ref<readonly Person[]>([])
  let asked: Promise<void> | null = null
  const load = (): Promise<void> =>
    (asked ??= api<Person[]>('/api/people')
      .then(all => {
        people.value = all
      })
      // Names can be typed without them.
      .catch(() => {
        asked = null
      }))
  /** The name somebody’s initials stand for. */
  const nameOf = (initials: string): string | null =>
    people.value.find(person => person.initials.toLowerCase() === initials.trim().toLowerCase())?.name ?? null
  const keep = (all: readonly Person[]) => {
    people.value = all
  }
  return { people, load, nameOf, keep }
})
