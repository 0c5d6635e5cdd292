<script setup lang="ts">
/** A dial in a sketch, its stem reaching out by `stem` from the rim, and along it the way its plunger goes for a larger figure. */
const props = withDefaults(
  defineProps<{
    x: number
    y: number
    r?: number
    /** to where its tip touches */
    stem: readonly [number, number]
    /** a larger figure as the plunger comes out */
    falls?: boolean
    /** the arrow to the right of the stem, as one looks from the dial */
    right?: boolean
  }>(),
  { r: 20, falls: false, right: false },
)
const at = computed(() => {
  const [dx, dy] = props.stem
  const length = Math.hypot(dx, dy)
  const [ux, uy] = [dx / length, dy / length]
  const side = props.right ? -9 : 9
  const [sx, sy] = [uy * side, -ux * side]
  const from = { x: props.x + ux * (props.r + 3) + sx, y: props.y + uy * (props.r + 3) + sy }
  // Not beyond what it touches.
  const long = Math.max(9, Math.min(17, length - 1))
  const to = { x: from.x + ux * long, y: from.y + uy * long }
  const [head, tail] = props.falls ? [to, from] : [from, to]
  return {
    tip: `M${props.x + ux * props.r} ${props.y + uy * props.r}l${dx} ${dy}`,
    arrow: `M${tail.x} ${tail.y}L${head.x} ${head.y}`,
    // 0° points to the right.
    turn: (Math.atan2(head.y - tail.y, head.x - tail.x) * 180) / Math.PI,
    head,
    // At the dial's end of the arrow: at the other there is what it touches.
    sign: { x: from.x - ux * 3 + sx * 1.2, y: from.y - uy * 3 + sy * 1.2 + 4 },
  }
})
</script>

<template>
  <g>
    <path :d="at.tip" stroke="var(--accent)" stroke-width="3" />
    <circle :cx="x" :cy="y" :r="r" fill="var(--sheet)" stroke="var(--accent)" stroke-width="2" />
    <path :d="`M${x} ${y}l${r * 0.52} ${-r * 0.57}`" stroke="var(--accent)" stroke-width="2" />
    <g stroke="var(--out)" stroke-width="1.7">
      <path :d="at.arrow" />
      <path d="M-6-4L0 0l-6 4" :transform="`translate(${at.head.x} ${at.head.y}) rotate(${at.turn})`" />
    </g>
    <text :x="at.sign.x" :y="at.sign.y" text-anchor="middle" font-size="13" font-weight="700" fill="var(--out)" stroke="none">+</text>
  </g>
</template>
