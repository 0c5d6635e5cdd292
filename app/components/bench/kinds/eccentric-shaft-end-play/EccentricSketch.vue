<template>
  <svg
    viewBox="0 0 340 118"
    class="w-full max-w-[300px]"
    role="img"
    aria-label="Section: eccentric shaft, lettered spacer between needle bearing and thrust plate, dial on the front nut, not on the pulley"
    fill="none"
    stroke="var(--ink)"
    stroke-width="1.5"
  >
    <rect x="14" y="48" width="236" height="24" fill="var(--sheet)" />
    <path d="M30 14h34l8 34H22zM30 106h34l8-34H22z" fill="var(--sheet)" />
    <path d="M84 24h40v24H84zM84 72h40v24H84z" fill="var(--paper)" />
    <path d="M132 30h10v18h-10zM132 72h10v18h-10z" fill="var(--steel)" />
    <path d="M144 34h18v14h-18zM144 72h18v14h-18z" fill="var(--brass)" stroke="var(--brass-line)" />
    <path d="M164 30h10v18h-10zM164 72h10v18h-10z" fill="var(--steel)" />
    <path d="M182 20h22v28h-22zM182 72h22v28h-22z" fill="var(--paper)" />
    <rect x="228" y="42" width="22" height="36" fill="var(--sheet)" />
    <SketchDial :x="304" :y="60" :stem="[-34, 0]" />
    <path d="M208 98h44m-44 0l7-5m-7 5l7 5m37-5l-7-5m7 5l-7 5" stroke="var(--out)" stroke-width="1.7" />
    <g font-size="11" fill="var(--mute)" stroke="none">
      <text x="153" y="24" text-anchor="middle">spacer</text>
      <text x="153" y="114" text-anchor="middle">needle | thrust</text>
      <text x="239" y="34" text-anchor="middle">nut</text>
    </g>
  </svg>
</template>
