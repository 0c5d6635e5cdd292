<script setup lang="ts">
/** A big end on its pin: rollers between them, where pin, roller and bore are measured. Not to scale. */
defineProps<{ rods: number }>()
const ROLLERS = Array.from({ length: 14 }, (_, i) => ({
  x: 74 + 33 * Math.cos((i * 2 * Math.PI) / 14),
  y: 66 + 33 * Math.sin((i * 2 * Math.PI) / 14),
}))
</script>

<template>
  <svg
    viewBox="0 0 340 140"
    class="w-full max-w-[300px]"
    role="img"
    aria-label="Section: pin inside, rollers round it, bore of the rod outside. Bore measured along the rod (A) and across (B), at both ends"
    fill="none"
    stroke="var(--ink)"
    stroke-width="1.5"
  >
    <path d="M58 14V2h32v12" fill="var(--paper)" />
    <circle cx="74" cy="66" r="54" fill="var(--paper)" />
    <circle cx="74" cy="66" r="41" fill="var(--sheet)" />
    <LitPlace at="pin"><circle cx="74" cy="66" r="25" fill="var(--steel)" /></LitPlace>
    <circle v-for="(roller, i) in ROLLERS" :key="i" :cx="roller.x" :cy="roller.y" r="6.6" fill="var(--brass)" stroke="var(--brass-line)" />
    <LitPlace at="A">
      <path d="M74 25v82m0-82l-4 7m4-7l4 7m-4 75l-4-7m4 7l4-7" stroke="var(--accent)" stroke-width="2" />
      <text x="80" y="60">A</text>
    </LitPlace>
    <LitPlace at="B">
      <path d="M33 66h82m-82 0l7-4m-7 4l7 4m75-4l-7-4m7 4l-7 4" stroke="var(--accent)" stroke-width="1.4" />
      <text x="84" y="79">B</text>
    </LitPlace>
    <template v-for="(at, i) in rods > 1 ? [170, 250] : [200]" :key="i">
      <path :d="`M${at} 12h52v108h-52z`" fill="var(--paper)" />
      <path :d="`M${at} 25h52v82h-52z`" fill="var(--sheet)" />
      <rect :x="at + 4" y="26" width="44" height="13" fill="var(--brass)" stroke="var(--brass-line)" />
      <rect :x="at + 4" y="93" width="44" height="13" fill="var(--brass)" stroke="var(--brass-line)" />
      <LitPlace v-for="(end, side) in ['front', 'rear']" :key="end" :at="rods > 1 ? `${i + 1} ${end}` : end">
        <path :d="`M${at + 12 + side * 28} 25v82`" stroke="var(--accent)" stroke-width="1.6" />
      </LitPlace>
    </template>
    <path d="M156 41h170v50H156z" fill="var(--steel)" fill-opacity=".5" />
    <g font-size="11" fill="var(--mute)" stroke="none" text-anchor="middle">
      <text x="74" y="136">A along the rod</text>
      <text x="246" y="136">each bore at both ends</text>
    </g>
  </svg>
</template>
