<script setup lang="ts">
import { useFileOut } from '~/composables/files/useFileOut'
import { useHealth } from '~/composables/server/useHealth'
import { api, faultAt, faultsOf, write } from '~/composables/server/useApi'
import { shortTime } from '~/composables/words/shortTime'
import type { Copies } from '#shared/record'
import type { Fault } from '#shared/types'

/** Everything in one file, out and in again; copies that are made by themselves; all readings for other programs. */
const copies = ref<Copies | null>(null)
const { look: lookAtHealth } = useHealth()
const faults = ref<readonly Fault[]>([])
const busy = ref<'copy' | 'restore' | null>(null)
const said = ref('')
const draft = reactive({ folder: '', keep: '' })
const picker = ref<HTMLInputElement>()
const file = useFileOut()
function show(next: Copies): void {
  copies.value = next
  Object.assign(draft, { folder: next.own ?? '', keep: String(next.keep) })
}
onMounted(async () => {
  try {
    show(await api<Copies>('/api/copies'))
  } catch (error) {
    faults.value = faultsOf(error)
  }
})
async function attempt(what: 'copy' | 'restore' | null, work: () => Promise<void>): Promise<void> {
  busy.value = what
  faults.value = []
  said.value = ''
  try {
    await work()
  } catch (error) {
    faults.value = faultsOf(error)
  } finally {
    busy.value = null
    await lookAtHealth()
  }
}
const keep = () =>
  attempt(null, async () => {
    show(await write('PATCH /api/copies', { folder: draft.folder.trim() || null, keep: Number(draft.keep) }))
    said.value = 'Kept.'
  })
const copyNow = () => attempt('copy', async () => show(await api<Copies>('/api/copies', { method: 'POST' })))
function restore(): void {
  const picked = picker.value?.files?.[0]
  picker.value!.value = ''
  if (!picked) return
  void attempt('restore', async () => {
    const { rows } = await api<{ rows: number }>('/api/backup', { bytes: picked, type: 'application/gzip' })
    said.value = `Restored: ${rows} rows. Everything is as it was when the backup was made.`
    show(await api<Copies>('/api/copies'))
  })
}
const size = (bytes: number) => (bytes < 1e6 ? `${Math.max(1, Math.round(bytes / 1e3))} kB` : `${(bytes / 1e6).toFixed(1)} MB`)
const bad = (tested: string | null) => tested !== null && tested.startsWith('NOT')
useHead({ title: 'Safe keeping · Finitum' })
</script>

<template>
  <div class="w-full max-w-5xl px-4 py-5 md:px-7">
    <h1 class="display mb-1 text-[30px]">Safe keeping</h1>
    <p class="mb-4 text-mute">
      A backup is one file with everything: jobs, readings and signatures, stock, gauges, limits, photographs, and who did what.
    </p>
    <p v-if="faultAt(faults, '')" class="fault mb-3" role="alert">{{ faultAt(faults, '') }}</p>
    <p v-for="fault in file.faults" :key="fault.reason" class="fault mb-3" role="alert">{{ fault.reason }}</p>
    <FileInProgress v-if="file.slow" class="mb-3" :progress="file.progress" starting="Looking at what there is …" @cancel="file.cancel" />
    <p v-if="said" class="mb-3 text-in" role="status">{{ said }}</p>
    <div class="mb-6 flex flex-wrap gap-3">
      <button type="button" class="button primary" :disabled="file.making !== null" @click="file.take('/api/backup')">Take a backup</button>
      <button type="button" class="button" :disabled="busy !== null" @click="picker?.click()">
        {{ busy === 'restore' ? 'Restoring …' : 'Restore a backup' }}
      </button>
      <input
        ref="picker"
        type="file"
        accept=".gz,application/gzip"
        class="sr-only"
        tabindex="-1"
        aria-label="Backup file"
        data-test="backup-file"
        @change="restore"
      />
      <p class="basis-full text-[13.5px] text-mute">
        It is restored into an empty workshop only, all of it or nothing. To bring single jobs into this one, import their worksheets.
      </p>
    </div>
    <template v-if="copies">
      <h2 class="display mb-1 text-xl">Copies made by themselves</h2>
      <p class="mb-3 text-[14px] text-mute">
        Once a day, where something was done since the last one. Each is restored in a trial, so that you know it can be. They lie in
        <span class="figure break-all text-ink">{{ copies.folder }}</span>: on the disk that holds the data they help against a slip, not
        against a broken disk.
      </p>
      <form class="mb-4 grid max-w-3xl gap-3 md:grid-cols-[minmax(0,1fr)_8rem_auto_auto]" novalidate @submit.prevent="keep">
        <div>
          <label class="label mb-1 block" for="copies-folder">Another folder on this machine</label>
          <input
            id="copies-folder"
            v-model="draft.folder"
            class="field"
            maxlength="400"
            autocomplete="off"
            placeholder="beside the data"
            :aria-invalid="faultAt(faults, 'folder') !== undefined"
          />
          <p v-if="faultAt(faults, 'folder')" class="fault">{{ faultAt(faults, 'folder') }}</p>
        </div>
        <div>
          <label class="label mb-1 block" for="copies-keep">How many stay</label>
          <input
            id="copies-keep"
            v-model="draft.keep"
            class="field figure"
            inputmode="numeric"
            autocomplete="off"
            :aria-invalid="faultAt(faults, 'keep') !== undefined"
          />
          <p v-if="faultAt(faults, 'keep')" class="fault">{{ faultAt(faults, 'keep') }}</p>
        </div>
        <button type="submit" class="button self-start md:mt-6">Keep it so</button>
        <button type="button" class="button self-start md:mt-6" :disabled="busy !== null" @click="copyNow">
          {{ busy === 'copy' ? 'Copying and trying it …' : 'Make one now' }}
        </button>
      </form>
      <table v-if="copies.copies.length" class="tight mb-6 max-w-3xl" data-test="copies">
        <thead>
          <tr>
            <th>Made</th>
            <th class="text-right">Size</th>
            <th class="pl-6">Tried</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="copy in copies.copies" :key="copy.name">
            <td>{{ shortTime(copy.at) }}</td>
            <td class="figure text-right">{{ size(copy.bytes) }}</td>
            <td class="pl-6" :class="bad(copy.tested) ? 'font-semibold text-out' : 'text-in'">{{ copy.tested ?? 'not yet' }}</td>
          </tr>
        </tbody>
      </table>
      <p v-else class="mb-6 text-mute">None yet: the first is made within a day of work.</p>
      <h2 class="display mb-1 text-xl">All readings, for other programs</h2>
      <div class="flex flex-wrap gap-3">
        <button type="button" class="button" :disabled="file.making !== null" @click="file.take('/api/readings/csv')">
          Readings as CSV
        </button>
        <a class="button" href="/api/readings/dictionary" download="readings-dictionary.csv">What its columns mean</a>
      </div>
    </template>
    <p v-else-if="!faults.length" class="py-4 text-mute">Looking …</p>
  </div>
</template>
