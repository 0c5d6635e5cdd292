<script setup lang="ts">
import type { WayThere } from '#core/choice/answer/ways-compared'
import { moneyAmong } from '~/composables/words/money'

/** What it takes to come by the piece: hours, money, days and the chance that it does, a row a way. */
defineProps<{ ways: readonly WayThere[] }>()
const hours = ({ hours: some }: WayThere) => (some === null ? '' : some < 0.1 ? 'minutes' : `${some.toFixed(1)} h`)
const days = ({ days: some, hours: work }: WayThere) => (some === 0 ? (work === null ? 'now' : '') : (some ?? 'not known'))
const chance = ({ chance: p }: WayThere) => (p === null ? '–' : p > 0.995 ? '> 99 %' : `${Math.round(p * 100)} %`)
</script>

<template>
  <section aria-label="What each way takes" data-test="ways">
    <h2 class="label mb-1">What each way takes</h2>
    <table class="tight">
      <thead>
        <tr>
          <th>Way</th>
          <th class="text-right">work</th>
          <th class="text-right">price</th>
          <th class="text-right">days</th>
          <th class="text-right">chance</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="way in ways" :key="way.id">
          <td>{{ way.label }}<span v-if="way.ask" class="block text-[12.5px] text-mute">{{ way.ask }}</span></td>
          <td class="figure text-right whitespace-nowrap">{{ hours(way) }}</td>
          <td class="figure text-right whitespace-nowrap">
            {{
              moneyAmong(
                way.price,
                ways.map(({ price }) => price),
              )
            }}
          </td>
          <td class="figure text-right">{{ days(way) }}</td>
          <td class="figure text-right whitespace-nowrap">{{ chance(way) }}</td>
        </tr>
      </tbody>
    </table>
    <slot />
  </section>
</template>
