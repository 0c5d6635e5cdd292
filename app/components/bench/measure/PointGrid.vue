<script setup lang="ts">
import { groups as groupBy } from 'd3-array'
import type { MeasuringPoint } from '#core/check/contract'
import { useGridKeys } from '~/composables/keys/useGridKeys'
import type { PointCell } from '~/composables/bench/usePointCells'

/** Every point of a check with many: what is read, what is missing, which is next. A row a position, a column a direction and station. */
const props = defineProps<{ cells: readonly PointCell[]; picked: string }>()
defineEmits<{ pick: [string] }>()
const box = ref<HTMLElement>()
const { onKeydown } = useGridKeys(box)

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
const titled = (part: string) => part.charAt(0).toUpperCase() + part.slice(1)
</script>

<template>
  <div ref="box" class="space-y-3" data-test="points" @keydown="onKeydown">
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
        <tr v-for="row in group.rows" :key="row.name">
          <td class="w-0 !pr-2 whitespace-nowrap text-[13.5px]">{{ row.name }}</td>
          <td v-for="(cell, i) in row.cells" :key="i" class="!p-0.5 text-right">
            <button
              v-if="cell"
              type="button"
              class="figure min-h-9 w-full min-w-9 rounded px-1 text-right text-[13px] whitespace-nowrap"
              :class="[
                picked === cell.point.id ? 'outline-2 -outline-offset-2 outline-accent bg-sheet font-bold' : '',
                cell.bad ? 'text-out' : cell.stale ? 'text-mute line-through' : cell.figure === null ? 'text-mute' : '',
              ]"
              :aria-pressed="picked === cell.point.id"
              :aria-label="`${cell.point.label}: ${cell.figure ?? (cell.leftOut === null ? 'not read' : `left out, ${cell.leftOut}`)}${cell.bad ? ', not valid' : ''}${cell.stale ? ', stale' : ''}`"
              @click="$emit('pick', cell.point.id)"
            >
              {{ cell.figure ?? (cell.leftOut !== null ? 'out' : cell.point.optional ? '·' : '–') }}
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
