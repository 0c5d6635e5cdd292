<script setup lang="ts">
import type { ImportResult } from '#shared/types'

/** Reads a worksheet from a file; says what came in, or where the file is wrong. */
const emit = defineEmits<{ done: [ImportResult] }>()
const input = ref<HTMLInputElement>()
const result = ref<ImportResult | null>(null)
const clash = ref<string | null>(null)
const { busy, progress, faults, cancelled, helps, send: sendFile, cancel } = useFileIn<ImportResult>('application/json')

async function send(text: string, copy = false): Promise<void> {
  result.value = null
  result.value = await sendFile(`/api/worksheets${copy ? '?copy=yes' : ''}`, text)
  clash.value = helps.value === 'copy' ? text : null
  if (result.value) emit('done', result.value)
}
async function chosen(): Promise<void> {
  const file = input.value?.files?.[0]
  if (!file) return
  if (file.size > 4_000_000) faults.value = [{ path: file.name, reason: 'The file is larger than 4 MB.' }]
  else await send(await file.text())
  input.value!.value = ''
}
</script>

<template>
  <div>
    <button type="button" class="button" :disabled="busy" @click="input?.click()">{{ busy ? 'Reading …' : 'Import worksheet' }}</button>
    <input
      ref="input"
      type="file"
      accept="application/json,.json"
      class="sr-only"
      tabindex="-1"
      aria-label="Worksheet file"
      data-test="import-file"
      @change="chosen"
    />
    <FileInProgress v-if="busy" :progress="progress" @cancel="cancel" />
    <p v-if="cancelled" class="mt-2 text-[14px]" role="status" data-test="import-cancelled">
      Cancelled. A job comes in whole or not at all.
    </p>
    <div v-if="faults.length || result" class="mt-2 max-w-xl text-[14px]" role="status" data-test="import-result">
      <template v-if="faults.length">
        <p class="font-bold text-out">Nothing was imported.</p>
        <p v-for="fault in faults" :key="fault.path + fault.reason">
          <code v-if="fault.path" class="figure text-[13px]">{{ fault.path }}</code> {{ fault.reason }}
        </p>
        <button v-if="clash" type="button" class="button mt-2" @click="send(clash!, true)">Import as a copy</button>
      </template>
      <template v-else-if="result">
        <p class="text-in">
          {{ result.jobs }} {{ result.jobs === 1 ? 'job' : 'jobs' }} with {{ result.checks }}
          {{ result.checks === 1 ? 'check' : 'checks' }} imported.
        </p>
        <p v-for="note in result.notes" :key="note">{{ note }}</p>
      </template>
    </div>
  </div>
</template>
