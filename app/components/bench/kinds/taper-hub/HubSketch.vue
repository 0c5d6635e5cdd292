<script setup lang="ts">
/** The hub on its bench axle, bottom up, and where the dial stands. Not to scale. */
const props = defineProps<{ discs: 'none' | 'one' | 'both' }>()

/** From the top down: what stands where, and what it is called. */
const LABELS = [
  { y: 36, at: 33, text: 'dial on the axle’s end' },
  { y: 52, at: 48, text: 'nut, at the axle torque' },
  { y: 64, at: 64, text: 'packing, not in the pack' },
  { y: 79, at: 80, text: 'upper cone' },
  { y: 91, at: 96, text: 'stepped spacer, step to the bearing' },
  { y: 98, at: 112, text: 'plain spacers' },
  { y: 128, at: 132, text: 'sleeve, hub around it' },
  { y: 163, at: 163, text: 'lower cone' },
  { y: 179, at: 179, text: 'lower packing' },
]
const disc = computed(() => ({ top: props.discs === 'both', bottom: props.discs !== 'none' }))
</script>

<template>
  <svg
    viewBox="0 0 340 196"
    class="w-full max-w-[320px]"
    role="img"
    aria-label="Section, bottom up: lower packing, cone, sleeve with the hub around it, plain spacers, stepped spacer with its step to the bearing, upper cone, packing, nut; the dial stands on the axle’s end"
    fill="none"
    stroke="var(--ink)"
    stroke-width="1.4"
  >
    <!-- axle -->
    <path d="M70 42v148h20V42z" fill="var(--sheet)" />
    <!-- hub with its cups -->
    <path d="M22 70h22v18h-8v58h8v18H22z" fill="var(--paper)" />
    <path d="M138 70h-22v18h8v58h-8v18h22z" fill="var(--paper)" />
    <template v-if="disc.top">
      <path d="M4 72h18v7H4zM138 72h18v7h-18z" fill="var(--hair)" />
    </template>
    <template v-if="disc.bottom">
      <path d="M4 155h18v7H4zM138 155h18v7h-18z" fill="var(--hair)" />
    </template>
    <!-- cones with rollers -->
    <path d="M70 72H56l-4 15h18zM90 72h14l4 15H90z" fill="var(--sheet)" />
    <path d="M70 170H56l-4-15h18zM90 170h14l4-15H90z" fill="var(--sheet)" />
    <path d="M55 73l-9 2-3 12 8-1zM105 73l9 2 3 12-8-1zM55 169l-9-2-3-12 8 1zM105 169l9-2 3-12-8 1z" fill="var(--paper)" />
    <!-- sleeve -->
    <path d="M62 102h8v53h-8zM90 102h8v53h-8z" fill="var(--sheet)" />
    <!-- pack: the stepped spacer on top, its step to the bearing -->
    <LitPlace at="stack">
      <path d="M58 95h12v7H58zM90 95h12v7H90z" fill="var(--brass)" stroke="var(--brass-line)" />
      <path d="M58 95h12v-8h-6v4h-6zM102 95H90v-8h6v4h6z" fill="var(--brass)" stroke="var(--brass-line)" />
    </LitPlace>
    <!-- packings, no part of the pack -->
    <path d="M60 58h40v14H60zM60 170h40v16H60z" fill="var(--hair)" stroke="var(--mute)" />
    <path d="M56 46h48v12H56z" fill="var(--sheet)" />
    <!-- dial -->
    <LitPlace at="travel"><SketchDial :x="80" :y="14" :r="13" :stem="[0, 15]" /></LitPlace>
    <path d="M13 96v44m0-44l-4 7m4-7l4 7m-4 37l-4-7m4 7l4-7" stroke="var(--out)" stroke-width="1.7" />
    <g stroke="none" fill="var(--ink)" font-size="10.5">
      <text v-for="label in LABELS" :key="label.text" x="176" :y="label.at + 3.5">{{ label.text }}</text>
    </g>
    <path
      v-for="label in LABELS"
      :key="label.text"
      :d="`M${label.y < 42 ? 108 : 104} ${label.y}L172 ${label.at}`"
      stroke="var(--mute)"
      stroke-width=".7"
    />
  </svg>
</template>
