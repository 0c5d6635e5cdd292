<script setup lang="ts">
/** Engine and gearbox apart, in section: the four lengths from where to where, and the shim behind the bearing. Not to scale. */
defineProps<{ plate: 'in' | 'none'; overD: 'face' | 'bar' }>()
</script>

<template>
  <svg
    viewBox="0 0 340 178"
    class="w-full max-w-[330px]"
    role="img"
    aria-label="Section: A from the crank flange to the block’s face, H the height of the bolted-up clutch, D and B from the bell’s face to the bearing, free and pushed home"
    fill="none"
    stroke="var(--ink)"
    stroke-width="1.4"
  >
    <path d="M8 20h52v128H8z" fill="var(--paper)" />
    <path v-if="plate === 'in'" d="M60 20h5v40h-5zM60 108h5v40h-5z" fill="var(--brass)" stroke="var(--brass-line)" />
    <path d="M36 68h36v32H36z" fill="var(--sheet)" />
    <path d="M72 50h12v68H72z" fill="var(--steel)" />
    <path d="M84 46h20v76H84z" fill="var(--steel)" />
    <path d="M104 58l22 16v20l-22 16z" fill="var(--sheet)" />
    <path d="M190 20h28v20h84v88h-84v20h-28z" fill="var(--paper)" />
    <path d="M250 70h52v28h-52z" fill="var(--sheet)" />
    <path d="M226 64h20v40h-20z" fill="var(--steel)" />
    <path d="M246 64h5v40h-5z" fill="var(--brass)" stroke="var(--brass-line)" />
    <path v-if="overD === 'bar'" d="M182 12h8v144h-8z" fill="var(--hair)" stroke="var(--mute)" />
    <g stroke="var(--out)" stroke-width="1.7">
      <LitPlace at="a">
        <path d="M60 84h12m0 0l-5-4m5 4l-5 4m-7-4l5-4m-5 4l5 4" />
        <text x="62" y="78">A</text>
      </LitPlace>
      <LitPlace at="h">
        <path d="M72 136h54m0 0l-6-4m6 4l-6 4m-48-4l6-4m-6 4l6 4" />
        <text x="94" y="132">H</text>
      </LitPlace>
      <LitPlace at="d/b">
        <path :d="`M${overD === 'bar' ? 182 : 190} 56h36m0 0l-6-4m6 4l-6 4`" />
        <text x="198" y="50">D, B</text>
      </LitPlace>
    </g>
    <path d="M126 94v46" stroke="var(--mute)" stroke-width=".7" />
    <g font-size="11" fill="var(--ink)" stroke="none">
      <text x="14" y="164">block{{ plate === 'in' ? ', plate' : '' }}</text>
      <text x="84" y="164">clutch</text>
      <text x="192" y="170">bell</text>
      <text x="228" y="120">bearing</text>
      <text x="256" y="60">shim</text>
    </g>
    <path d="M258 62l-9 8" stroke="var(--mute)" stroke-width=".7" />
  </svg>
</template>
