<script setup lang="ts">
import { heldBack } from '~/composables/server/heldBack'
import { useLocalStorage } from '@vueuse/core'
import { SHAPES, pieceAsks, unitMade, type Lot, type Shape } from '#core/pack/lot'
import { systemOf } from '#core/quantity/figure'
import { unitFor } from '#core/quantity/format-length'
import { nm, type Nm } from '#core/quantity/length'
import { BAD_PRICE, parseMoney } from '~/composables/words/money'
import { write } from '~/composables/server/useApi'
import { useForm } from '~/composables/server/useForm'
import { usePreferences } from '~/stores/preferences'
import type { Fault, StockView } from '#shared/types'

/** A size the drawer does not know yet. */
const props = defineProps<{
  lots: readonly Lot[]
  /** of the size in hand; empty: that of the size put in last */
  family: string
  /** of the size, where only one will do */
  shape?: Shape
  /** in a column: two fields a row */
  narrow?: boolean
}>()
const emit = defineEmits<{ changed: [StockView, string]; close: [] }>()
const preferences = usePreferences()
/** A drawer is put in size after size: the next is of the family of the last. */
const last = useLocalStorage('finitum.family', '', { flush: 'sync' })
const families = computed(() => [...new Set(props.lots.map(lot => lot.family))])
const family = ref(props.family)
/** As soon as the drawer is there, unless something was typed meanwhile. */
watch(
  families,
  known => {
    if (family.value === '' && known.includes(last.value)) family.value = last.value
  },
  { immediate: true },
)
/** Sizes mean the unit their family was made in. */
const unit = computed(() => unitMade(props.lots.filter(lot => lot.family === family.value)) ?? preferences.unit)
const nominal = ref<Nm | null>(null)
const measured = ref<Nm | null>(null)
const plus = ref<Nm | null>(null)
const minus = ref<Nm | null>(null)
const tolerance = computed(() =>
  plus.value === null && minus.value === null ? null : { plus: plus.value ?? nm(0), minus: minus.value ?? nm(0) },
)
const count = ref<number | ''>('')
const mark = ref('')
const colour = ref('')
const price = ref('')
const days = ref<number | ''>('')
const shape = ref<Shape>(props.shape ?? 'flat')
const SIZE_WORDS: Partial<Record<Shape, string>> = { packing: 'Thickness, as squeezed', sprung: 'Thickness, pressed flat' }
const SHAPE_WORDS: Partial<Record<Shape, string>> = { sheet: 'sheet, to cut from', packing: 'packing, put in for a trial' }
const inside = ref<Nm | null>(null)
const outside = ref<Nm | null>(null)
const stored = useForm()
const form = ref<HTMLFormElement>()
/** With the family known, the size is what is typed next. */
onMounted(() => form.value?.querySelectorAll('input')[family.value === '' ? 0 : 1]?.focus())

async function add(): Promise<void> {
  const missing: Fault[] = [
    ...(nominal.value === null ? [{ path: 'nominal', reason: 'What size is it?' }] : []),
    ...(count.value === '' ? [{ path: 'count', reason: 'How many are there?' }] : []),
  ]
  const coins = parseMoney(price.value)
  if (coins === undefined) missing.push({ path: 'cost', reason: BAD_PRICE })
  stored.refuse(missing)
  if (missing.length > 0) return
  // A figure that cannot be read, or is still asked about, is not left out in silence.
  await nextTick()
  const open = form.value?.querySelector<HTMLElement>('input[aria-invalid="true"]')
  if (open) return open.focus()
  let made = ''
  await stored.submit(
    names =>
      write('POST /api/stock/lots', {
        op: names.op,
        id: (made = names.id),
        family: family.value,
        nominal: nominal.value!,
        ...(measured.value === null ? {} : { measured: measured.value }),
        ...(tolerance.value ? { tolerance: tolerance.value } : {}),
        count: Number(count.value),
        mark: mark.value.trim(),
        colour: colour.value.trim(),
        ...(coins === null ? {} : { cost: coins }),
        ...(days.value === '' ? {} : { leadDays: Number(days.value) }),
        shape: shape.value,
        ...(inside.value === null ? {} : { inside: inside.value }),
        ...(outside.value === null ? {} : { outside: outside.value }),
      }),
    view => {
      // Before it is told: who is told may close this form.
      last.value = family.value
      emit('changed', view, made)
    },
  )
}
</script>

<template>
  <form
    ref="form"
    class="mb-4 grid gap-3 border-y rule py-4"
    :class="narrow ? 'grid-cols-2' : 'md:grid-cols-4'"
    novalidate
    @submit.prevent="heldBack($event) || add()"
  >
    <div>
      <label class="label mb-1 block" for="lot-family">Family</label>
      <input id="lot-family" v-model="family" list="families" class="field" autocomplete="off" />
      <datalist id="families">
        <option v-for="f in families" :key="f" :value="f" />
      </datalist>
      <p v-if="stored.fault('family')" class="fault">{{ stored.fault('family') }}</p>
    </div>
    <FigureField v-model="nominal" :label="SIZE_WORDS[shape] ?? 'Size, as marked'" :unit="unit" :fault="stored.fault('nominal')" />
    <FigureField
      v-model="measured"
      label="Measured"
      optional
      :unit="unit"
      :options="nominal === null ? undefined : pieceAsks({ nominal, tolerance })"
      :fault="stored.fault('measured')"
    />
    <div>
      <label class="label mb-1 block" for="lot-pieces">Pieces</label>
      <input id="lot-pieces" v-model="count" type="number" min="0" class="field figure" />
      <p v-if="stored.fault('count')" class="fault">{{ stored.fault('count') }}</p>
    </div>
    <FigureField v-model="plus" label="Tolerance, above" optional :unit="unit" :fault="stored.fault('tolerance.plus')" />
    <FigureField v-model="minus" label="Tolerance, below" optional :unit="unit" :fault="stored.fault('tolerance.minus')" />
    <div>
      <label class="label mb-1 block" for="lot-mark">Letter or mark</label>
      <input id="lot-mark" v-model="mark" class="field" maxlength="20" autocomplete="off" />
    </div>
    <div>
      <label class="label mb-1 block" for="lot-colour">Colour</label>
      <input id="lot-colour" v-model="colour" class="field" maxlength="20" autocomplete="off" />
    </div>
    <div>
      <label class="label mb-1 block" for="lot-price">Price of one <span class="font-normal">(may be left out)</span> </label>
      <input id="lot-price" v-model="price" class="field figure" inputmode="decimal" autocomplete="off" />
      <p v-if="stored.fault('cost')" class="fault">{{ stored.fault('cost') }}</p>
    </div>
    <div>
      <label class="label mb-1 block" for="lot-days">Delivery, days <span class="font-normal">(may be left out)</span> </label>
      <input id="lot-days" v-model="days" type="number" min="0" class="field figure" />
      <p v-if="stored.fault('leadDays')" class="fault">{{ stored.fault('leadDays') }}</p>
    </div>
    <div>
      <label class="label mb-1 block" for="lot-shape">Shape</label>
      <select id="lot-shape" v-model="shape" class="field">
        <option v-for="s in SHAPES" :key="s" :value="s">{{ SHAPE_WORDS[s] ?? s }}</option>
      </select>
    </div>
    <FigureField v-model="inside" label="Washer: inside" optional :unit="unitFor(systemOf(unit), 'size')" :fault="stored.fault('inside')" />
    <FigureField
      v-model="outside"
      label="Washer: outside"
      optional
      :unit="unitFor(systemOf(unit), 'size')"
      :fault="stored.fault('outside')"
    />
    <div class="col-span-full flex gap-2">
      <button type="submit" class="button primary" :disabled="stored.busy">Add the size</button>
      <button type="button" class="button" @click="emit('close')">Leave it</button>
    </div>
    <FormSays class="col-span-full" :says="stored.rest()" :busy="stored.busy" />
  </form>
</template>
