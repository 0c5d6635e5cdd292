<script setup lang="ts">
/** The hub on its bench axle, bottom up, and where the dial stands. Not to scale. */
const props = defineProps<{ discs: 'none' | 'one' | 'both' }>()

/** From the top down: what stands where, and what it is called. */
const labels = computed(() => [
  { y: 33, text: 'dial on the axle’s end' },
  { y: 52, text: 'nut, at the axle torque' },
  { y: 65, text: 'packing, not in the pack' },
  { y: 79, text: 'upper cone' },
  { y: 92, text: 'stepped spacer, step to the bearing' },
  { y: 105, text: 'plain spacers' },
  ...(props.discs === 'both' ? [{ y: 118, text: 'disc' }] : []),
  { y: 134, text: 'sleeve, hub around it' },
  ...(props.discs === 'none' ? [] : [{ y: 151, text: 'disc' }]),
  { y: 165, text: 'lower cone' },
  { y: 181, text: 'lower packing' },
])
const above = computed(() => (props.discs === 'none' ? 'sleeve' : props.discs === 'one' ? 'disc, sleeve' : 'disc, sleeve, disc'))
</script>

<template>
  <svg
    viewBox="0 0 360 196"
    class="w-full max-w-[340px]"
    role="img"
    :aria-label="`Section, bottom up: lower packing, cone, ${above} with the hub around it, plain spacers, stepped spacer with its step to the bearing, upper cone, packing, nut; the dial stands on the axle’s end`"
    fill="none"
    stroke="var(--ink)"
    stroke-width="1.4"
  >
    <!-- axle -->
    <path d="M70 42v152h20V42z" fill="var(--sheet)" />
    <!-- hub with its cups -->
    <path d="M22 68h22v20h-8v66h8v20H22z" fill="var(--paper)" />
    <path d="M138 68h-22v20h8v66h-8v20h22z" fill="var(--paper)" />
    <!-- cones with rollers -->
    <path d="M70 72H57l-4 14h17zM90 72h13l4 14H90z" fill="var(--sheet)" />
    <path d="M70 173H57l-4-16h17zM90 173h13l4-16H90z" fill="var(--sheet)" />
    <path d="M56 73l-10 2-3 12 9-1zM104 73l10 2 3 12-9-1zM56 172l-10-2-3-12 9 1zM104 172l10-2 3-12-9 1z" fill="var(--paper)" />
    <!-- sleeve -->
    <path d="M61 112h9v45h-9zM90 112h9v45h-9z" fill="var(--sheet)" />
    <path v-if="discs === 'both'" d="M52 112h18v6H52zM90 112h18v6H90z" fill="var(--hair)" stroke="var(--mute)" />
    <path v-if="discs !== 'none'" d="M52 151h18v6H52zM90 151h18v6H90z" fill="var(--hair)" stroke="var(--mute)" />
    <!-- pack: the stepped spacer on top, its step to the bearing -->
    <LitPlace at="stack">
      <path d="M58 100h12v12H58zM90 100h12v12H90z" fill="var(--brass)" stroke="var(--brass-line)" />
      <path d="M58 100h12v-14h-5v7h-7zM102 100H90v-14h5v7h7z" fill="var(--brass)" stroke="var(--brass-line)" />
    </LitPlace>
    <!-- packings, no part of the pack -->
    <path d="M60 58h40v14H60zM60 173h40v16H60z" fill="var(--hair)" stroke="var(--mute)" />
    <path d="M56 46h48v12H56z" fill="var(--sheet)" />
    <!-- dial -->
    <LitPlace at="travel"><SketchDial :x="80" :y="14" :r="13" :stem="[0, 15]" /></LitPlace>
    <path d="M13 99v44m0-44l-4 7m4-7l4 7m-4 37l-4-7m4 7l4-7" stroke="var(--out)" stroke-width="1.7" />
    <g stroke="none" fill="var(--ink)" font-size="10.5">
      <text v-for="label in labels" :key="label.y" x="176" :y="label.y + 3.5">{{ label.text }}</text>
    </g>
    <path v-for="label in labels" :key="label.y" :d="`M${label.y < 42 ? 88 : 106} ${label.y}H172`" stroke="var(--mute)" stroke-width=".7" />
  </svg>
</template>
