<script setup lang="ts">
import type { WorksheetIn } from '~/composables/files/useWorksheetIn'

/** What becomes of a worksheet that was picked: how far it is, what came in, or where it is wrong. */
defineProps<{ sheet: WorksheetIn }>()
</script>

<template>
  <FileInProgress v-if="sheet.busy" class="mb-4" :progress="sheet.progress" @cancel="sheet.cancel" />
  <p v-if="sheet.cancelled" class="mb-4 text-[14px]" role="status" data-test="import-cancelled">
    Cancelled. A job comes in whole or not at all.
  </p>
  <div v-if="sheet.faults.length || sheet.result" class="mb-4 max-w-3xl text-[14px]" role="status" data-test="import-result">
    <template v-if="sheet.faults.length">
      <p class="font-bold text-out">Nothing was imported.</p>
      <p v-for="fault in sheet.faults" :key="fault.path + fault.reason">
        <code v-if="fault.path" class="figure text-[13px]">{{ fault.path }}</code> {{ fault.reason }}
      </p>
      <button v-if="sheet.clash" type="button" class="button mt-2" @click="sheet.asCopy">Import as a copy</button>
    </template>
    <template v-else-if="sheet.result">
      <p class="text-in">
        {{ sheet.result.jobs }} {{ sheet.result.jobs === 1 ? 'job' : 'jobs' }} with {{ sheet.result.checks }}
        {{ sheet.result.checks === 1 ? 'check' : 'checks' }} imported.
      </p>
      <p v-for="note in sheet.result.notes" :key="note">{{ note }}</p>
    </template>
  </div>
</template>
