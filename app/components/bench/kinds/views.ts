import { computed, shallowReactive, watch, type Component, type ComputedRef } from 'vue'
import { readSetup, type Fields, type Setup, type SetupOf } from '#core/check/setup'
import type { StacksOf } from './stacks'

/** What a kind draws for itself; everything else on the bench is common. */
export interface KindView {
  /** What is measured from where to where. */
  readonly drawing: Component
  /** What the drawing shows, from the set-up as it is stored. */
  readonly drawn: (setup: Setup) => Record<string, unknown>
  /** Stacks drawn to scale, bottom up, from what is fitted and measured. */
  readonly stacks?: StacksOf
  /** What the kind chooses that is no pack from the drawer. */
  readonly choice?: Component
  /** What the kind weighs for all its places at once. */
  readonly options?: Component
  /** What the readings draw: a turn on its clock. */
  readonly plot?: Component
}

type Props<Drawing> = Drawing extends new (...args: never[]) => { $props: infer All } ? All : never

/** @param drawn  what the drawing is given, by name: it does not compile where it takes something else */
export const defineView = <F extends Fields, Drawing extends Component>(
  fields: F,
  drawing: Drawing,
  drawn: (setup: SetupOf<F>) => Props<Drawing>,
  more: Pick<KindView, 'choice' | 'options' | 'stacks' | 'plot'> = {},
): KindView => ({ drawing, drawn: setup => drawn(readSetup(fields, setup)) as Record<string, unknown>, ...more })

/** One file a kind, loaded when a check of that kind is opened. */
const files = import.meta.glob<{ default: KindView }>('./*/view.ts')
const loaded = shallowReactive(new Map<string, KindView>())

/** The view of a kind; null until it is here. */
export function useKindView(kind: () => string | undefined): ComputedRef<KindView | null> {
  watch(
    kind,
    async id => {
      const load = id === undefined || loaded.has(id) ? undefined : files[`./${id}/view.ts`]
      if (load) loaded.set(id!, (await load()).default)
    },
    { immediate: true },
  )
  return computed(() => loaded.get(kind() ?? '') ?? null)
}
