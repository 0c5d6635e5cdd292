<script setup lang="ts">
import { v4 as uuid } from 'uuid'
import { shortTime } from '~/composables/words/shortTime'
import { api, faultsOf, write } from '~/composables/server/useApi'
import { useRemoval } from '~/composables/server/useRemoval'
import { usePreferences } from '~/stores/preferences'
import type { Photo } from '#shared/types'

/** Photographs of a unit, a job or a check: chosen as files or taken on the spot, each with its words. */
const props = defineProps<{
  /** of the thing they are of: `/api/jobs/…` */
  path: string
  photos: readonly Photo[]
  /** new ones are of this check */
  check?: string
}>()
const emit = defineEmits<{ changed: [readonly Photo[]] }>()
/** Larger ones the server refuses. */
const LARGEST = 15_000_000
const preferences = usePreferences()
const input = ref<HTMLInputElement>()
const busy = ref(false)
const said = ref<readonly string[]>([])
const away = useRemoval('POST /api/photos/:id/removal', photos => emit('changed', photos))

/** What each is sent as, until it is taken in: sent again, because nobody answered, it is the same photograph. */
const names = new Map<string, string>()

async function add(file: File): Promise<string | null> {
  if (file.size > LARGEST) return `${file.name} has ${Math.round(file.size / 1e6)} MB: a photograph has ${LARGEST / 1e6} MB at most.`
  const which = `${file.name} ${file.size} ${file.lastModified}`
  const op = names.get(which) ?? uuid()
  names.set(which, op)
  const query = new URLSearchParams({ op, who: preferences.signer, ...(props.check ? { check: props.check } : {}) })
  try {
    emit('changed', await api<Photo[]>(`${props.path}/photos?${query}`, { bytes: file, type: file.type || 'application/octet-stream' }))
    names.delete(which)
    return null
  } catch (error) {
    return `${file.name}: ${faultsOf(error)
      .map(({ reason }) => reason)
      .join(' ')}`
  }
}
async function picked(): Promise<void> {
  const files = [...(input.value?.files ?? [])]
  input.value!.value = ''
  if (busy.value) return
  busy.value = true
  said.value = []
  for (const file of files) {
    const fault = await add(file)
    if (fault) said.value = [...said.value, fault]
  }
  busy.value = false
}
async function caption(photo: Photo, words: string): Promise<void> {
  if (words === photo.caption) return
  said.value = []
  try {
    emit('changed', await write('PATCH /api/photos/:id', { op: uuid(), version: photo.version, caption: words }, photo.id))
  } catch (error) {
    said.value = faultsOf(error).map(({ reason }) => reason)
  }
}
</script>

<template>
  <section aria-label="Photographs" class="mt-6" data-test="photos">
    <div class="mb-2 flex items-center gap-4">
      <h2 class="label">Photographs</h2>
      <button type="button" class="button" :disabled="busy" @click="input?.click()">
        {{ busy ? 'Taking it in …' : 'Add a photograph' }}
      </button>
      <input
        ref="input"
        type="file"
        accept="image/jpeg,image/png,image/webp"
        multiple
        class="sr-only"
        tabindex="-1"
        aria-label="Photograph file"
        data-test="photo-file"
        @change="picked"
      />
    </div>
    <p v-for="line in said" :key="line" class="fault" role="alert">{{ line }}</p>
    <RemovedNotice :removed="away.removed.value" :refusal="away.refusal.value" @undo="away.undo" />
    <ul v-if="photos.length" :class="check ? '' : 'lg:grid-cols-4'" class="grid gap-4 sm:grid-cols-2">
      <li v-for="photo in photos" :key="photo.id">
        <a :href="`/api/photos/${photo.id}`" target="_blank" rel="noopener">
          <img
            :src="`/api/photos/${photo.id}`"
            :alt="photo.caption || 'Photograph'"
            :width="photo.width"
            :height="photo.height"
            loading="lazy"
            class="aspect-[4/3] h-auto w-full rounded-md border rule object-cover"
          />
        </a>
        <TextField
          class="mt-1.5"
          :text="photo.caption"
          maxlength="200"
          placeholder="What it shows"
          :aria-label="`What it shows, photograph of ${shortTime(photo.at)}`"
          @keep="caption(photo, $event)"
        />
        <p class="mt-1 flex flex-wrap items-center gap-x-3 text-[13px] text-mute">
          <span
            >{{ shortTime(photo.at) }}<template v-if="photo.who">, {{ photo.who }}</template
            ><template v-if="photo.check && !check"> · {{ photo.check.title }}</template></span
          >
          <button
            type="button"
            class="link"
            :aria-label="`Remove the photograph of ${shortTime(photo.at)}`"
            @click="away.remove(photo.caption || 'the photograph', photo.id, photo.version)"
          >
            remove
          </button>
        </p>
      </li>
    </ul>
    <p v-else class="text-[14px] text-mute">
      None yet. A journal as it was found says more than words; where the picture was taken, and with what, is not kept.
    </p>
  </section>
</template>
