<script setup lang="ts">
import { markText, type MatchedSet } from '#core/check/evaluate/matched-set'
import { unitOfResult } from '#core/check/common/results'
import { formatFigure } from '#core/quantity/figure'
import { lowerFirst } from '#core/quantity/first-letter'
import { shortTime } from '~/composables/words/shortTime'
import { usePreferences } from '~/stores/preferences'

/** The label of parts that stay together; crossed out once one of them was changed. */
defineProps<{ set: MatchedSet }>()
const preferences = usePreferences()
</script>

<template>
  <section aria-label="Matched set" data-test="matched-set">
    <h2 class="label mb-1">Matched set</h2>
    <div class="border-2 rule px-3 py-2 text-[14px]" :class="set.void ? 'border-out' : ''">
      <p v-if="set.void" class="font-bold text-out">
        Void: {{ lowerFirst(set.void.label) }}, {{ set.void.change.reason }}, {{ shortTime(set.void.change.at) }}. Take the label off.
      </p>
      <ul :class="set.void ? 'text-mute line-through' : ''">
        <li v-for="member in set.members" :key="member.role">{{ member.label }}</li>
      </ul>
      <dl class="mt-1 grid grid-cols-[1fr_auto] gap-x-4" :class="set.void ? 'text-mute line-through' : ''">
        <template v-for="mark in set.marks" :key="mark.label">
          <dt>{{ mark.label }}</dt>
          <dd class="figure text-right">{{ markText(mark, preferences.system) }}</dd>
        </template>
        <template v-for="figure in set.figures" :key="figure.id">
          <dt>{{ figure.label }}</dt>
          <dd class="figure text-right">
            {{ formatFigure(figure.estimate!.value, unitOfResult(figure.kind, preferences.system), { unit: true }) }}
          </dd>
        </template>
      </dl>
      <p class="mt-1 text-mute">{{ set.made ? `${set.made.by}, ${shortTime(set.made.at)}` : 'A set once it is signed.' }}</p>
    </div>
  </section>
</template>
