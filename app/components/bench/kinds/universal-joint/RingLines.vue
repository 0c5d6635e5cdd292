<script setup lang="ts">
import type { CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import { drawerFor, piecesIn } from '#core/check/document'
import { ringLine, type RingPlay } from '#core/check/kinds/universal-joint/evaluate'
import { roundSize } from '#core/choice/window/round-size'
import { lotMap, packTotal, unitMade, type Lot } from '#core/pack/lot'
import { formatLength, markedText } from '#core/quantity/format-length'
import { UNIT_NAME, nm } from '#core/quantity/length'
import { insideRange } from '#core/verdict/limits'
import { usePreferences } from '~/stores/preferences'

/** Every ring of the kit, one each side, and the play it would leave: a line a plane. */
const props = defineProps<{ document: CheckDocument; evaluation: CheckEvaluation; lots: readonly Lot[]; locked: boolean; busy: boolean }>()
defineEmits<{ fit: [{ place: string; pieces: { lotId: string; count: number }[] }[]] }>()
const preferences = usePreferences()
const lines = computed(() =>
  props.evaluation.places.flatMap(({ place, result, window }) => {
    const rings = piecesIn(props.document.trials.at(-1)!, place.id)
    if (rings.length === 0 || !result?.valid || !result.estimate || result.stale) return []
    // Of unequal ones, the middle of the two: what counts is their sum.
    const fitted = packTotal(rings, lotMap(props.lots)) / 2
    const range = insideRange(result.limits.working)
    const inside = ({ play }: RingPlay) => play > 0 && play >= range.low && play <= range.high
    const word = (ring: RingPlay) => (ring.play <= 0 ? 'preload' : result.limits.working ? (inside(ring) ? 'in' : 'loose') : '')
    const all = ringLine(result.estimate.value, fitted, drawerFor(props.document, props.lots, place)).map(ring => ({
      ...ring,
      word: word(ring),
    }))
    const each = window && { ...window, low: nm(window.low / 2), high: nm(window.high / 2) }
    const none = each !== null && all.every(ring => ring.word !== 'in')
    // What is asked for at a counter, in the unit the kit is made in.
    const size = none
      ? roundSize(each, unitMade(props.lots.filter(({ id }) => all.some(({ lotId }) => lotId === id))) ?? preferences.unit)
      : null
    return [
      {
        id: place.id,
        label: place.label,
        rings: all,
        order: size === null ? (none ? 'no ring of this kit would do' : '') : `no ring of this kit would do: order ${markedText(size)}`,
      },
    ]
  }),
)
const name = (id: string) => {
  const lot = props.lots.find(candidate => candidate.id === id)!
  return [markedText(lot.nominal), lot.colour || lot.mark].filter(Boolean).join(' ')
}
</script>

<template>
  <section v-if="lines.some(({ rings }) => rings.length)" class="mt-4 space-y-3" aria-label="Every ring of the kit" data-test="ring-lines">
    <h2 class="label">Every ring of the kit, one each side: play it leaves, {{ UNIT_NAME[preferences.unit] }}</h2>
    <div v-for="line in lines" :key="line.id" class="overflow-x-auto">
      <TableBox label="Rings of the kit"
        ><table class="tight">
          <tbody>
            <tr>
              <th class="text-left">{{ line.label }}</th>
              <td v-for="ring in line.rings" :key="ring.lotId" class="text-right whitespace-nowrap">{{ name(ring.lotId) }}</td>
            </tr>
            <tr v-if="line.order">
              <td class="text-mute"></td>
              <td :colspan="line.rings.length" class="text-left text-near">{{ line.order }}</td>
            </tr>
            <tr>
              <td class="text-mute">play</td>
              <td
                v-for="ring in line.rings"
                :key="ring.lotId"
                class="figure text-right"
                :class="ring.word === 'in' ? 'text-in font-bold' : ring.word === 'preload' ? 'text-out' : ''"
              >
                {{ formatLength(ring.play, preferences.unit) }}
              </td>
            </tr>
            <tr>
              <td class="text-mute">there</td>
              <td v-for="ring in line.rings" :key="ring.lotId" class="text-right text-[13px] whitespace-nowrap text-mute">
                {{ ring.word === 'preload' ? 'preload' : `${ring.onHand} here` }}
              </td>
            </tr>
          </tbody>
        </table></TableBox
      >
    </div>
    <p class="text-[13px] text-mute">A step of the kit counts twice: one ring each side. Nominal until measured.</p>
  </section>
</template>
