import type { ComputedRef, InjectionKey } from 'vue'

/** id of the point that is read now, for what a sketch lights; null: all alike */
export const POINT_IN_HAND: InjectionKey<ComputedRef<string | null>> = Symbol('the point in hand')
