<script setup lang="ts">
import { pieceText } from '#core/quantity/format-length'
import { lotMap, packChange, thickness, type Lot, type Pack } from '#core/pack/lot'
import { stackingOrder } from '#core/pack/stacking'
import { usePreferences } from '~/stores/preferences'
import { useChartWidth } from './axis'

/**
 * The pack in the order it is stacked in, thickness to scale: what is put in comes from above where it belongs, what is taken out stands
 * proud and dashed before it. Equal pieces lie one each side of what is between them.
 */
const props = defineProps<{
  fitted: Pack | null
  next: Pack | null
  lots: readonly Lot[]
  between: readonly [string, string]
  /** equal pieces, one each side */
  pair: boolean
  first: string | null
}>()
const box = ref<HTMLElement>()
const preferences = usePreferences()
const index = computed(() => lotMap(props.lots))
const PLATE = 34
const PX_PER_MM = 96 / 25.4
const HEIGHT = 140

type Piece = { lot: Lot | null; role: 'stays' | 'out' | 'in' | 'part' }
const pieces = computed<Piece[]>(() => {
  if (!props.fitted) return []
  const change = props.next ? packChange(props.fitted, props.next) : { out: [], in: [] }
  const out = stackingOrder(change.out, index.value).map((id): Piece => ({ lot: index.value.get(id)!, role: 'out' }))
  const coming = new Map(change.in.map(p => [p.lotId, p.count]))
  const kept = stackingOrder(props.next ?? props.fitted, index.value, props.first).map((id): Piece => {
    const left = coming.get(id) ?? 0
    coming.set(id, left - 1)
    return { lot: index.value.get(id)!, role: left > 0 ? 'in' : 'stays' }
  })
  if (!props.pair) return [...out, ...kept]
  const half = <T>(all: readonly T[]) => Math.ceil(all.length / 2)
  const middle: Piece = { lot: null, role: 'part' }
  return [...out.slice(0, half(out)), ...kept.slice(0, half(kept)), middle, ...kept.slice(half(kept)), ...out.slice(half(out))]
})
const total = computed(() => pieces.value.reduce((sum, { lot }) => sum + (lot ? thickness(lot) : 0), 0))
/** What lies between a pair is drawn as wide as its name needs. */
const MIDDLE = 64
const middle = computed(() => (props.pair && pieces.value.length > 0 ? MIDDLE : 0))
const width = useChartWidth(box, 260)
/** px per nm; thin packs are not blown up beyond reading size */
const scale = computed(() =>
  Math.min((width.value - 2 * PLATE - 8 - middle.value - pieces.value.length * 2) / Math.max(1, total.value), 0.002),
)
const factor = computed(() => Math.round((scale.value * 1e6) / PX_PER_MM))
const drawn = computed(() => {
  let at = PLATE + 4
  return pieces.value.map(piece => {
    const wide = piece.lot ? thickness(piece.lot) * scale.value : MIDDLE
    const item = {
      ...piece,
      at,
      wide,
      y: piece.role === 'out' ? 6 : piece.role === 'in' ? 0 : 26,
      label: piece.lot ? pieceText(thickness(piece.lot), preferences.unit) : props.between[1],
    }
    at += wide + 2
    return item
  })
})
const end = computed(() => PLATE + 4 + total.value * scale.value + middle.value + pieces.value.length * 2)
const right = computed(() => props.between[props.pair ? 0 : 1])
/** Where "take out" and "put in" stand: under their first piece, kept off the edges and off each other. */
const captions = computed(() => {
  const first = (role: Piece['role']) => drawn.value.find(piece => piece.role === role)
  const [out, put] = [first('out'), first('in')]
  const limit = Math.max(0, Math.min(width.value, end.value + PLATE) - 62)
  const at = (piece: { at: number } | undefined) => (piece ? Math.min(piece.at, limit) : 0)
  const [outAt, putAt] = [at(out), at(put)]
  const apart = out && put ? Math.min(outAt, Math.max(0, putAt - 66)) : outAt
  return [
    ...(out ? [{ role: 'out', words: 'take out', at: apart }] : []),
    ...(put ? [{ role: 'in', words: 'put in', at: out ? Math.max(putAt, apart + 66) : putAt }] : []),
  ]
})
const upright = (wide: number, label: string) => wide < label.length * 7.4 + 4
const stack = computed(() =>
  props.next
    ? stackingOrder(props.next, index.value, props.first)
        .map(id => pieceText(thickness(index.value.get(id)!), preferences.unit))
        .join(props.pair ? ` · ${props.between[1]} · ` : ' · ')
    : '',
)
const summary = computed(
  () =>
    `${props.between[0]}, ${drawn.value.map(p => `${p.label}${p.role === 'out' ? ' out' : p.role === 'in' ? ' in' : ''}`).join(', ')}, ${right.value}`,
)
</script>

<template>
  <div ref="box">
    <p v-if="!fitted" class="py-6 text-mute">Not drawn: its pieces are not listed.</p>
    <p v-else-if="pieces.length === 0" class="py-6 text-mute">No pieces between {{ between[0] }} and {{ between[1] }}.</p>
    <template v-else>
      <svg
        :width="width"
        :height="HEIGHT"
        :viewBox="`0 0 ${width} ${HEIGHT}`"
        role="img"
        :aria-label="summary"
        class="block"
        data-drawing="pack"
        data-test="pack-section"
      >
        <rect x="0" y="16" :width="PLATE" height="88" fill="var(--steel)" />
        <rect :x="end" y="16" :width="PLATE" height="88" fill="var(--steel)" />
        <g v-for="(piece, i) in drawn" :key="i">
          <rect
            :x="piece.at"
            :y="piece.y"
            :width="piece.wide"
            height="78"
            rx="1.5"
            :fill="piece.role === 'out' ? 'none' : piece.lot ? 'var(--brass)' : 'var(--steel)'"
            :stroke="piece.role === 'out' ? 'var(--out)' : piece.role === 'in' ? 'var(--in)' : 'var(--brass-line)'"
            :stroke-width="piece.role === 'in' ? 2.2 : 1.5"
            :stroke-dasharray="piece.role === 'out' ? '4 3' : undefined"
          />
          <path
            v-if="piece.lot?.shape === 'stepped'"
            :d="`M${piece.at + piece.wide} ${piece.y + 26}h${-piece.wide * 0.4}v-26`"
            fill="none"
            stroke="var(--brass-line)"
            stroke-width="1.5"
          />
          <path
            v-if="piece.lot?.shape === 'sprung'"
            :d="`M${piece.at + 2} ${piece.y + 70}q${piece.wide / 4} -8 ${piece.wide / 2 - 2} 0t${piece.wide / 2 - 2} 0`"
            fill="none"
            stroke="var(--brass-line)"
            stroke-width="1.5"
          />
          <text
            class="figure"
            font-size="12.5"
            text-anchor="middle"
            dominant-baseline="central"
            :fill="piece.role === 'out' ? 'var(--out)' : 'var(--brass-ink)'"
            :transform="`translate(${piece.at + piece.wide / 2} ${piece.y + 39})${upright(piece.wide, piece.label) ? ' rotate(-90)' : ''}`"
          >
            {{ piece.label }}
          </text>
          <text
            v-if="piece.lot && piece.wide >= 44"
            :x="piece.at + piece.wide / 2"
            :y="piece.y + 60"
            font-size="12"
            text-anchor="middle"
            :fill="piece.role === 'out' ? 'var(--out)' : 'var(--brass-ink)'"
          >
            {{ piece.lot.mark || piece.lot.colour }}
          </text>
          <path
            v-if="piece.role === 'in'"
            :d="`M${piece.at + piece.wide / 2} 84v16m-5 -6l5 7 5 -7`"
            fill="none"
            stroke="var(--in)"
            stroke-width="2"
          />
        </g>
        <text
          v-for="caption in captions"
          :key="caption.role"
          :x="caption.at"
          y="136"
          font-size="12.5"
          font-weight="650"
          :fill="caption.role === 'out' ? 'var(--out)' : 'var(--in)'"
        >
          {{ caption.words }}
        </text>
        <g fill="var(--mute)" font-size="12.5">
          <text x="0" y="118">{{ between[0] }}</text>
          <text :x="end + PLATE" y="118" text-anchor="end">{{ right }}</text>
        </g>
      </svg>
      <p class="flex flex-wrap justify-between gap-x-4 text-[13px] text-mute">
        <span v-if="stack">Stack: {{ stack }}</span>
        <span class="ml-auto">thickness drawn × {{ factor }}</span>
      </p>
    </template>
  </div>
</template>
