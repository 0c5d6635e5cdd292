<script setup lang="ts">
/** Hub in section: its two seats, the spacer between, and what is read from where. Not to scale. */
defineProps<{ way: 'depths' | 'length'; near: 'face' | 'bar'; far: 'face' | 'bar' }>()
</script>

<template>
  <svg
    viewBox="0 0 340 132"
    class="w-full max-w-[320px]"
    role="img"
    :aria-label="`Hub in section with two bearing seats and the spacer between them; the seat distance is read ${way === 'depths' ? 'as two depths from one face' : 'from seat to seat'}`"
    fill="none"
    stroke="var(--ink)"
    stroke-width="1.4"
  >
    <path d="M60 20h180v20h-40v8h-100v-8H60zM60 112h180V92h-40v-8h-100v8H60z" fill="var(--paper)" />
    <path d="M76 40h24v16H76zM76 92h24V76H76zM200 40h24v16h-24zM200 92h24V76h-24z" fill="var(--sheet)" />
    <LitPlace at="spacer"><path d="M100 58h100v6H100zM100 68h100v6H100z" fill="var(--brass)" stroke="var(--brass-line)" /></LitPlace>
    <template v-if="way === 'depths'">
      <path v-if="near === 'bar' || far === 'bar'" d="M52 12h8v108h-8z" fill="var(--hair)" stroke="var(--mute)" />
      <LitPlace at="near">
        <path :d="`M${near === 'bar' ? 52 : 60} 118h40m0 0l-6-4m6 4l-6 4`" stroke="var(--out)" stroke-width="1.7" />
        <text x="108" y="128">near seat</text>
      </LitPlace>
      <LitPlace at="far">
        <path :d="`M${far === 'bar' ? 52 : 60} 10h140m0 0l-6-4m6 4l-6 4`" stroke="var(--out)" stroke-width="1.7" />
        <text x="252" y="14">far seat</text>
      </LitPlace>
    </template>
    <path v-else d="M100 66h100m-100 0l6-4m-6 4l6 4m94-4l-6-4m6 4l-6 4" stroke="var(--out)" stroke-width="1.7" />
    <g font-size="10.5" fill="var(--ink)" stroke="none">
      <text v-if="way === 'length'" x="252" y="14">seat to seat</text>
      <text x="252" y="64">spacer</text>
    </g>
    <path d="M248 61h-46" stroke="var(--mute)" stroke-width=".7" />
  </svg>
</template>
