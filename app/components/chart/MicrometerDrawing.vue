<script setup lang="ts">
import { DRUM, type MicrometerSetting } from '#core/method/micrometer/setting'
import { NM_PER } from '#core/quantity/length'

/** A micrometer as it looks when it is set: sleeve uncovered to its mark, thimble line at the reference, vernier line that meets. */
const props = defineProps<{ setting: MicrometerSetting }>()
const WIDTH = 560
const HEIGHT = 256
const EDGE = 300
const MIDDLE = 182
const drum = computed(() => DRUM[props.setting.system])
const inch = computed(() => props.setting.system === 'inch')
/** px per sleeve mark */
const MARK = 26
const LINE = 17
const marks = computed(() => {
  const last = Math.round(props.setting.sleeve / drum.value.sleeve)
  const beyond = (((props.setting.thimble + props.setting.vernier / 10) * drum.value.thimble) / drum.value.turn) * MARK
  return Array.from({ length: Math.min(last + 1, 10) }, (_, i) => {
    const n = last - i
    const major = inch.value ? n % 4 === 0 : n % 2 === 0
    return { n, x: EDGE - beyond - i * MARK, major, label: major ? String(inch.value ? n / 4 : n / 2) : '' }
  })
})
const lines = computed(() => {
  const all = drum.value.turn / drum.value.thimble
  return Array.from({ length: 16 }, (_, i) => {
    const n = props.setting.thimble + 10 - i
    const y = MIDDLE + (i - 10) * LINE + (props.setting.vernier / 10) * LINE
    const value = ((n % all) + all) % all
    return { n: value, y, major: value % 5 === 0, here: n === props.setting.thimble }
  }).filter(line => line.y > 30 && line.y < HEIGHT - 16)
})
/** Ten vernier lines over nine thimble lines: the one that meets is the figure. */
const vernier = computed(() =>
  Array.from({ length: 11 }, (_, i) => ({ n: i, y: MIDDLE - i * LINE * 0.9, meets: i === props.setting.vernier })),
)
const meeting = computed(() => MIDDLE - props.setting.vernier * LINE * 0.9)
const figures = computed(() =>
  inch.value
    ? { sleeve: (props.setting.sleeve / NM_PER.in).toFixed(3), thimble: String(props.setting.thimble), unit: 'in' }
    : { sleeve: (props.setting.sleeve / NM_PER.mm).toFixed(1), thimble: String(props.setting.thimble), unit: 'mm' },
)
</script>

<template>
  <svg
    :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
    class="w-full max-w-[560px]"
    role="img"
    :aria-label="`Micrometer set: sleeve ${figures.sleeve} ${figures.unit}, thimble ${figures.thimble}, vernier ${setting.vernier}`"
    data-test="micrometer"
  >
    <rect x="0" y="18" :width="EDGE" height="220" fill="var(--sheet)" stroke="var(--ink)" stroke-width="1.5" />
    <path
      :d="`M${EDGE} 18L${EDGE + 46} 4H${WIDTH}V${HEIGHT - 6}H${EDGE + 46}L${EDGE} ${HEIGHT - 18}Z`"
      fill="var(--paper)"
      stroke="var(--ink)"
      stroke-width="1.5"
    />
    <line x1="14" :x2="EDGE" :y1="MIDDLE" :y2="MIDDLE" stroke="var(--ink)" stroke-width="1.5" />
    <g class="figure" font-size="14" fill="var(--ink)" stroke="var(--ink)">
      <g v-for="(mark, i) in marks" :key="mark.n">
        <line
          v-if="mark.x > 14"
          :x1="mark.x"
          :x2="mark.x"
          :y1="MIDDLE"
          :y2="MIDDLE + (mark.major ? 26 : 15)"
          :stroke="i === 0 ? 'var(--accent)' : 'var(--ink)'"
          :stroke-width="i === 0 ? 3 : 1.3"
        />
        <text v-if="mark.label && mark.x > 18" :x="mark.x" :y="MIDDLE + 44" text-anchor="middle" stroke="none">{{ mark.label }}</text>
      </g>
      <g v-for="line in lines" :key="line.n">
        <line
          :x1="EDGE"
          :x2="EDGE + (line.major ? 34 : 22)"
          :y1="line.y"
          :y2="line.y"
          :stroke="line.here ? 'var(--accent)' : 'var(--ink)'"
          :stroke-width="line.here ? 3 : 1.2"
        />
        <text
          v-if="line.major || line.here"
          :x="EDGE + 42"
          :y="line.y + 5"
          stroke="none"
          :font-weight="line.here ? 700 : 400"
          :fill="line.here ? 'var(--accent)' : 'var(--ink)'"
        >
          {{ line.n }}
        </text>
      </g>
      <g v-for="line in vernier" :key="`v${line.n}`" font-size="11">
        <line
          :x1="EDGE - (line.meets ? 44 : 26)"
          :x2="EDGE"
          :y1="line.y"
          :y2="line.y"
          :stroke="line.meets ? 'var(--out)' : 'var(--mute)'"
          :stroke-width="line.meets ? 2.6 : 1"
        />
        <text
          :x="EDGE - (line.meets ? 50 : 32)"
          :y="line.y + 4"
          text-anchor="end"
          stroke="none"
          :font-weight="line.meets ? 700 : 400"
          :fill="line.meets ? 'var(--out)' : 'var(--mute)'"
        >
          {{ line.n % 10 }}
        </text>
      </g>
    </g>
    <g font-size="13" fill="var(--mute)">
      <text x="12" y="228">sleeve</text>
      <text :x="EDGE - 76" y="38" text-anchor="end">vernier</text>
      <text :x="WIDTH - 10" y="236" text-anchor="end">thimble</text>
    </g>
    <circle :cx="EDGE" :cy="meeting" r="5" fill="none" stroke="var(--out)" stroke-width="2" />
  </svg>
</template>
