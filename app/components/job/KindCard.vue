<script setup lang="ts">
import type { CheckKind } from '#core/check/contract'
import { useKindView } from '~/components/bench/kinds/views'

/** A kind of check as its sketch, without the words in it, and its name. */
const props = defineProps<{ kind: CheckKind; /** Enter takes it */ first: boolean }>()
defineEmits<{ take: [] }>()
const view = useKindView(() => props.kind.id)
</script>

<template>
  <button
    type="button"
    class="flex h-full w-full flex-col rounded-md border-2 px-2 pt-1 pb-0.5 text-left hover:border-hair"
    :class="first ? 'border-accent' : 'border-transparent'"
    :title="kind.about"
    :data-first="first || undefined"
    @click="$emit('take')"
  >
    <span class="kind-sketch block h-[54px] w-full" aria-hidden="true">
      <component :is="view.drawing" v-if="view" v-bind="view.drawn(kind.defaultSetup)" />
    </span>
    <span class="mt-1 text-[13.5px] leading-tight font-semibold">{{ kind.title }}</span>
  </button>
</template>
