<script setup lang="ts">
/** Shaft on two taper bearings in its case: where the shims sit, and what turns it. Shims drawn ten times as thick. */
defineProps<{ shims: 'behind' | 'cover'; way: 'scale' | 'gauge' | 'feel'; stages: 'one' | 'two' | 'three' }>()
</script>

<template>
  <svg
    viewBox="0 0 340 150"
    class="w-full max-w-[320px]"
    role="img"
    :aria-label="`Shaft on two taper bearings in a case; shims ${shims === 'behind' ? 'behind the outer race: thicker is more preload' : 'under the cover: thicker is less preload'}; ${way === 'feel' ? 'felt by hand' : 'turned steadily for its torque'}`"
    fill="none"
    stroke="var(--ink)"
    stroke-width="1.4"
  >
    <!-- case -->
    <path d="M40 22h190v16H70v74h160v16H40z" fill="var(--paper)" />
    <!-- cover -->
    <path :d="shims === 'cover' ? 'M238 22h16v106h-16V88h-8v-26h8z' : 'M230 22h16v106h-16z'" fill="var(--sheet)" />
    <!-- shaft -->
    <path d="M56 66h258v18H56z" fill="var(--sheet)" />
    <path v-if="stages !== 'one'" d="M128 44l26 6v50l-26 6z" fill="var(--hair)" />
    <!-- bearings, races outside, cones on the shaft -->
    <path d="M76 40h26l-8 16H76zM76 110h26l-8-16H76z" fill="var(--hair)" />
    <path d="M222 40h-26l8 16h18zM222 110h-26l8-16h18z" fill="var(--hair)" />
    <path d="M82 57l16 1-4 8H82zM82 93l16-1-4-8H82zM216 57l-16 1 4 8h12zM216 93l-16-1 4-8h12z" fill="var(--sheet)" />
    <!-- shims -->
    <path v-if="shims === 'behind'" d="M70 40h6v22h-6zM70 110h6V88h-6z" fill="var(--brass)" stroke="var(--brass-line)" />
    <path v-else d="M230 22h8v40h-8zM230 88h8v40h-8z" fill="var(--brass)" stroke="var(--brass-line)" />
    <LitPlace v-if="way !== 'feel'" at="turning">
      <path d="M292 58q22 17 0 34m0 0l9-1m-9 1l2-8" stroke="var(--out)" stroke-width="1.8" />
    </LitPlace>
    <g font-size="10.5" fill="var(--ink)" stroke="none">
      <text :x="shims === 'behind' ? 8 : 220" y="14">shims</text>
      <text x="284" y="50">{{ way === 'scale' ? 'pull × radius' : way === 'gauge' ? 'torque' : '' }}</text>
      <text v-if="stages !== 'one'" x="114" y="145">stage before, through the ratio</text>
    </g>
    <path :d="shims === 'behind' ? 'M30 17l40 26' : 'M234 17v5'" stroke="var(--mute)" stroke-width=".7" />
    <path v-if="stages !== 'one'" d="M142 134v-28" stroke="var(--mute)" stroke-width=".7" />
  </svg>
</template>
