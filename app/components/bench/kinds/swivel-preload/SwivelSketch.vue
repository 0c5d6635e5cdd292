<script setup lang="ts">
/** Swivel housing in section: lower and upper pin, the pack under the cap with its sprung shim on top, the gap, and where a scale pulls. Shims drawn ten times as thick. */
defineProps<{ upper: 'roller' | 'plain'; way: 'scale' | 'gauge' | 'feel' }>()
</script>

<template>
  <svg
    viewBox="0 0 340 190"
    class="w-full max-w-[320px]"
    role="img"
    :aria-label="`Steering swivel housing in section: pack of shims under the cap of the top pin, ${upper === 'roller' ? 'a roller bearing' : 'a plain pad'} below it; ${way === 'scale' ? 'a spring scale pulls at the radius' : way === 'gauge' ? 'a torque gauge turns the pin' : 'drag and side play are felt'}`"
    fill="none"
    stroke="var(--ink)"
    stroke-width="1.4"
  >
    <!-- housing, open to the right where the axle ball sits -->
    <path d="M58 44h124v20h-14q-44 4-48 34 4 34 48 36h14v22H58q-14-10-14-56t14-56z" fill="var(--paper)" />
    <!-- axle ball -->
    <path d="M182 74q-36 6-38 24 2 22 38 26h44V74z" fill="var(--sheet)" />
    <!-- bearings -->
    <path v-if="upper === 'roller'" d="M142 66l10-2 4 10-10 3zM170 64l10 2-3 11-10-3z" fill="var(--hair)" />
    <path v-else d="M142 68h38v7h-38z" fill="var(--hair)" />
    <path d="M142 134l10-4-3-9-9 3zM168 130l11 4 1-10-9-3z" fill="var(--hair)" />
    <!-- pins -->
    <path d="M152 30h18v46h-18z" fill="var(--sheet)" />
    <path d="M152 122h18v38h-18z" fill="var(--sheet)" />
    <!-- pack and cap -->
    <LitPlace at="stack">
      <path d="M120 38h82v6h-82z" fill="var(--brass)" stroke="var(--brass-line)" />
      <path d="M120 33q20-5 41 0t41 0" stroke="var(--brass-line)" stroke-width="2.4" />
    </LitPlace>
    <path d="M112 14h98v14h-98z" fill="var(--sheet)" />
    <path d="M122 6v22M200 6v22" />
    <LitPlace at="gap"><path d="M230 28v16m0-16l-4 5m4-5l4 5m-4 11l-4-5m4 5l4-5" stroke="var(--out)" stroke-width="1.7" /></LitPlace>
    <LitPlace v-if="way === 'scale'" at="turning" stroke="var(--out)" stroke-width="1.7">
      <path d="M161 100H62" stroke-dasharray="3 3" />
      <path d="M62 100v44m0 0l-5-8m5 8l5-8" />
    </LitPlace>
    <LitPlace v-else-if="way === 'gauge'" at="turning">
      <path d="M140 172q21 14 42 0m0 0l-8 0m8 0l-2 7" stroke="var(--out)" stroke-width="1.7" />
    </LitPlace>
    <g font-size="10.5" fill="var(--ink)" stroke="none">
      <text x="240" y="39">gap, pack</text>
      <text x="240" y="20">cap</text>
      <text x="240" y="100">axle ball</text>
      <text v-if="way === 'scale'" x="72" y="95">radius</text>
      <text v-if="way === 'scale'" x="70" y="142">pull</text>
      <text v-if="way === 'gauge'" x="190" y="180">torque</text>
    </g>
    <path d="M238 17h-26M238 97h-12" stroke="var(--mute)" stroke-width=".7" />
  </svg>
</template>
