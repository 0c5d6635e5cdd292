<script setup lang="ts">
import { calipersCheck, micrometerSetting, settingSize, type MicrometerSetting } from '#core/method/micrometer/setting'
import { formatLength, unitFor } from '#core/quantity/format-length'
import { UNIT_NAME, type Nm } from '#core/quantity/length'
import { usePreferences } from '~/stores/preferences'

/** Set a vernier micrometer to any figure: drawn, cross-checked by calipers, and read back. */
const preferences = usePreferences()
const unit = computed(() => unitFor(preferences.system, 'size'))
const target = ref<Nm | null>(null)
const calipers = ref<Nm | null>(null)
const readBack = ref<Nm | null>(null)
const setting = computed<MicrometerSetting | null>(() =>
  target.value === null || target.value < 0 ? null : micrometerSetting(target.value, preferences.system),
)
const fine = (value: number) => formatLength(value, unit.value, { decimals: unit.value === 'in' ? 5 : 4 })
const check = computed(() =>
  target.value === null || calipers.value === null ? null : calipersCheck(target.value, calipers.value, preferences.system),
)
const back = computed(() => {
  if (!setting.value || readBack.value === null) return null
  const off = readBack.value - settingSize(setting.value)
  return off === 0
    ? { fine: true, words: 'Read back: the same. It is set.' }
    : {
        fine: false,
        words: `Read back ${formatLength(off, unitFor(preferences.system), { sign: true, unit: true })} off the target: set it again.`,
      }
})
</script>

<template>
  <div class="grid gap-x-8 gap-y-3 lg:grid-cols-[300px_minmax(0,1fr)]" data-test="micrometer-helper">
    <div class="space-y-3">
      <FigureField
        v-model="target"
        label="Set it to"
        :unit="unit"
        :fault="target !== null && target < 0 ? 'A micrometer has no setting below zero.' : undefined"
      />
      <FigureField v-model="calipers" label="Calipers across it" optional :unit="unit" />
      <p v-if="check" class="text-[14px]" :class="check.answer === 'agrees' ? 'text-in' : 'text-out'" data-test="calipers-answer">
        {{ check.words }}
      </p>
      <FigureField v-model="readBack" label="Thimble read back" optional :unit="unit" />
      <p v-if="back" class="text-[14px]" :class="back.fine ? 'text-in' : 'text-out'" data-test="read-back">{{ back.words }}</p>
    </div>
    <div v-if="setting">
      <MicrometerDrawing :setting="setting" />
      <p class="mt-2 text-[17px]" data-test="setting">
        <strong class="figure">{{ formatLength(setting.sleeve, unit, { decimals: unit === 'in' ? 3 : 1 }) }}</strong>
        {{ UNIT_NAME[unit] }} on the sleeve, <strong class="figure">{{ setting.thimble }}</strong> on the thimble,
        <strong class="figure">{{ setting.vernier }}</strong> on the vernier.
      </p>
      <p v-if="setting.rest !== 0" class="text-[13.5px] text-mute">
        {{ fine(Math.abs(setting.rest)) }} {{ UNIT_NAME[unit] }} {{ setting.rest > 0 ? 'more' : 'less' }} cannot be set: no line is that
        fine.
      </p>
    </div>
    <p v-else class="self-center text-mute">Type a figure, 1.7767 in or 48.237 mm, and see how the micrometer looks when it is set.</p>
  </div>
</template>
