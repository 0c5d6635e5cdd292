<script setup lang="ts">
import { groups as groupBy } from 'd3-array'
import type { MeasuringPoint } from '#core/check/contract'
import { useRoomBelow } from '~/composables/bench/useRoomBelow'
import { useSheetKeys } from '~/composables/keys/useSheetKeys'
import type { PointCell } from '~/composables/bench/usePointCells'

/** The sheet of a check with many points: a row a position, a column a direction and station. The cell in hand is the field; a click or the arrows choose another. */
const props = defineProps<{
  cells: readonly PointCell[]
  picked: string
  /** the cell in hand is written in; else it is only marked */
  writes: boolean
}>()
const emit = defineEmits<{ pick: [string] }>()
const box = ref<HTMLElement>()
const room = useRoomBelow(box)
const { onKeydown } = useSheetKeys(
  box,
  id => {
    emit('pick', id)
    // Where nothing can be written the cell itself has the cursor.
    void nextTick(() => box.value?.querySelector<HTMLElement>(`button[data-cell="${CSS.escape(id)}"]`)?.focus())
  },
  () => props.writes,
)
/** Whatever is in hand is in sight, also where the sheet is longer than its window. */
const inSight = () => void nextTick(() => box.value?.querySelector('[data-active]')?.scrollIntoView({ block: 'nearest' }))
watch([() => props.picked, room], inSight)
onMounted(inSight)

const rest = ({ at }: MeasuringPoint) =>
  Object.entries(at)
    .filter(([key]) => key !== 'part' && key !== 'position')
    .map(([, value]) => value)
    .join(' ')
const groups = computed(() =>
  groupBy(props.cells, cell => String(cell.point.at.part ?? '')).map(([part, cells]) => {
    const columns = [...new Set(cells.map(cell => rest(cell.point)))]
    const rows = groupBy(cells, cell => String(cell.point.at.position ?? cell.point.label))
    return {
      part,
      /** all of it may be left out, and nothing of it was read: it stays folded until it is wanted */
      idle: cells.every(({ point, figure }) => point.optional && figure === null && point.id !== props.picked),
      cells,
      columns,
      rows: rows.map(([name, of]) => ({ name, cells: columns.map(column => of.find(cell => rest(cell.point) === column) ?? null) })),
    }
  }),
)
/** So many are no burden. */
const FEW = 5
/** Parts that were unfolded by hand. */
const wanted = ref<readonly string[]>([])
const folded = (group: (typeof groups.value)[number]) => group.idle && group.cells.length > FEW && !wanted.value.includes(group.part)
/** Its first point has the focus then: the button it was on is gone. */
async function unfold(part: string): Promise<void> {
  wanted.value = [...wanted.value, part]
  await nextTick()
  box.value?.querySelector<HTMLElement>(`[data-part="${part}"] button`)?.focus()
}
/** `Journal, main 1, A front: 47.986 ×2` */
const labelOf = ({ point, figure, leftOut, times, bad, stale, waiting }: PointCell) =>
  [
    `${point.label}: ${figure ?? (leftOut === null ? 'not read' : `left out, ${leftOut}`)}${times > 1 ? ` ×${times}` : ''}`,
    ...(bad ? ['not valid'] : []),
    ...(stale ? ['stale'] : []),
    ...(waiting ? [`typed and not stored: ${waiting}`] : []),
  ].join(', ')
const titled = (part: string) => part.charAt(0).toUpperCase() + part.slice(1)
</script>

<template>
  <div
    ref="box"
    class="relative max-h-[max(15rem,calc(100dvh-27.5rem))] space-y-2 overflow-auto"
    :style="room === null ? undefined : { maxHeight: `${room}px` }"
    data-test="points"
    @keydown="onKeydown"
  >
    <table v-for="group in groups" :key="group.part" class="tight" :data-part="group.part">
      <tbody v-if="folded(group)">
        <tr>
          <td class="!border-0">
            <button type="button" class="link min-h-9 text-[13.5px]" @click="unfold(group.part)">
              {{ titled(group.part) }}: {{ group.cells.length }} points that may be left out
            </button>
          </td>
        </tr>
      </tbody>
      <thead v-if="!folded(group) && (group.part || group.columns.length > 1)">
        <tr>
          <component :is="group.part ? 'th' : 'td'" class="!pr-2 whitespace-nowrap">{{ titled(group.part) }}</component>
          <component
            :is="column ? 'th' : 'td'"
            v-for="column in group.columns"
            :key="column"
            class="!border-0 !pr-1 text-right font-normal"
            >{{ column }}</component
          >
        </tr>
      </thead>
      <tbody v-if="!folded(group)">
        <tr v-for="row in group.rows" :key="row.name" :class="row.cells.some(cell => cell?.point.id === picked) ? 'font-semibold' : ''">
          <td
            class="sticky left-0 z-[1] bg-paper !py-0 !pr-3 text-[14px] leading-tight"
            :class="group.columns.length > 1 ? 'w-0 whitespace-nowrap' : 'min-w-28'"
          >
            {{ row.name }}
          </td>
          <td
            v-for="(cell, i) in row.cells"
            :key="i"
            class="!px-0.5 !py-0 text-right"
            :style="group.columns.length > 1 ? { width: `${100 / group.columns.length}%` } : undefined"
          >
            <div
              v-if="cell && picked === cell.point.id && writes"
              class="flex justify-end py-0.5 [&>*]:max-w-72"
              role="group"
              :aria-label="labelOf(cell)"
              data-active
              :data-cell="cell.point.id"
            >
              <slot />
            </div>
            <button
              v-else-if="cell"
              type="button"
              class="figure min-h-8.5 w-full min-w-9 rounded px-1.5 text-right text-[15px] whitespace-nowrap pointer-coarse:min-h-11"
              :class="[
                picked === cell.point.id ? 'outline-2 -outline-offset-2 outline-accent bg-sheet font-bold' : '',
                cell.bad ? 'text-out' : cell.stale ? 'text-mute line-through' : cell.figure === null ? 'text-mute' : '',
                cell.waiting && cell.figure === null ? 'italic' : '',
              ]"
              :data-cell="cell.point.id"
              :tabindex="picked === cell.point.id ? 0 : -1"
              :aria-pressed="picked === cell.point.id"
              :aria-label="labelOf(cell)"
              @click="$emit('pick', cell.point.id)"
            >
              {{ cell.figure ?? (cell.waiting || (cell.leftOut !== null ? 'out' : cell.point.optional ? '·' : '–'))
              }}<span v-if="cell.times > 1" class="text-[11px] text-mute"> ×{{ cell.times }}</span>
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
