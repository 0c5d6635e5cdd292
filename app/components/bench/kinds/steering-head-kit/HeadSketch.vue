<script setup lang="ts">
/** One site of a steering head in section: cup in the head, cone on the stem, cage, seal, and the washer on the inner ring under it. Washer drawn four times as thick. */
defineProps<{ origin: 'kit' | 'genuine' }>()
</script>

<template>
  <svg
    viewBox="0 0 340 176"
    class="w-full max-w-[320px]"
    role="img"
    aria-label="Steering head in section: cup pressed in the head, cone on the stem, cage between, dust seal above, a washer between seal and inner ring; the nut clamps from above"
    fill="none"
    stroke="var(--ink)"
    stroke-width="1.4"
  >
    <!-- stem -->
    <LitPlace at="seat"><path d="M44 6h40v164H44z" fill="var(--sheet)" /></LitPlace>
    <path d="M64 6v164" stroke-dasharray="10 4 2 4" stroke="var(--mute)" stroke-width=".8" />
    <!-- nut -->
    <path d="M84 10h44v18H84z" fill="var(--hair)" />
    <!-- seal -->
    <path d="M84 34h70q10 2 12 14l-8 2q-4-6-14-6H84z" fill="var(--dye-bottom)" fill-opacity=".25" />
    <!-- washer -->
    <path d="M84 48h20v9H84z" fill="var(--brass)" stroke="var(--brass-line)" />
    <!-- cone, cage and rollers, cup -->
    <LitPlace at="cone"><path d="M84 60h18l16 44H84z" fill="var(--paper)" /></LitPlace>
    <path d="M110 60l14-4 20 46-12 4z" fill="var(--hair)" />
    <LitPlace at="cup"><path d="M130 58h32v52h-14z" fill="var(--paper)" /></LitPlace>
    <!-- head -->
    <LitPlace at="bore"><path d="M162 62h34v108h-50v-56h16z" fill="var(--sheet)" /></LitPlace>
    <!-- gap -->
    <LitPlace at="gap"><path d="M206 46v13m0-13l-4 4m4-4l4 4m-4 9l-4-4m4 4l4-4" stroke="var(--out)" stroke-width="1.6" /></LitPlace>
    <g font-size="10.5" fill="var(--ink)" stroke="none">
      <text x="136" y="22">nut</text>
      <text x="172" y="44">seal</text>
      <text x="216" y="56">{{ origin === 'kit' ? 'gap, washer' : 'no gap' }}</text>
      <text x="216" y="84">cup in head</text>
      <text x="216" y="104">cage</text>
      <text x="216" y="124">cone on stem</text>
    </g>
    <path d="M212 81h-58M212 101l-76-8M212 121L98 98" stroke="var(--mute)" stroke-width=".7" />
  </svg>
</template>
