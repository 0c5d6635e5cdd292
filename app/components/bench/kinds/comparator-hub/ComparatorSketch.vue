<script setup lang="ts">
/** Three set-ups: what is zeroed where, and which way the figure goes as the length grows. Not to scale. */
const props = defineProps<{ sense: 'falls' | 'rises' }>()
const PICTURES = [
  { x: 0, title: 'base alone: zero', at: 'base', head: false, hub: false },
  { x: 116, title: 'head on the bearing: zero', at: 'head', head: true, hub: false },
  { x: 232, title: 'hub between: read', at: 'distance', head: true, hub: true },
]
const top = ({ head, hub }: (typeof PICTURES)[number]) => (hub ? 62 : head ? 104 : 126)
const words = computed(() => (props.sense === 'falls' ? 'longer: smaller figure' : 'longer: larger figure'))
</script>

<template>
  <svg
    viewBox="0 0 340 172"
    class="w-full max-w-[340px]"
    role="img"
    :aria-label="`Base alone is zero; head on the upturned outer bearing is zero; hub between inner and outer bearing is read. As the length grows the figure ${sense}.`"
    fill="none"
    stroke="var(--ink)"
    stroke-width="1.4"
  >
    <path d="M4 150h332" stroke-width="2.4" />
    <LitPlace v-for="picture in PICTURES" :key="picture.title" :at="picture.at" :transform="`translate(${picture.x} 0)`">
      <path d="M22 126h52v24H22z" fill="var(--sheet)" />
      <template v-if="picture.hub">
        <path d="M34 126l4-14h20l4 14z" fill="var(--paper)" />
        <path d="M22 112h12v-28H22zM62 112h12v-28H62z" fill="var(--paper)" />
        <path d="M43 112h10V84H43z" fill="var(--sheet)" />
        <path d="M38 84l-4-14h28l-4 14z" fill="var(--paper)" />
        <path d="M32 62h32v8H32z" fill="var(--brass)" stroke="var(--brass-line)" />
      </template>
      <template v-else-if="picture.head">
        <path d="M38 126l-4-14h28l-4 14z" fill="var(--paper)" />
        <path d="M32 104h32v8H32z" fill="var(--brass)" stroke="var(--brass-line)" />
      </template>
      <path :d="`M48 ${top(picture)}V${top(picture) - 14}`" stroke="var(--accent)" stroke-width="3" />
      <circle cx="48" :cy="top(picture) - 29" r="15" fill="var(--sheet)" stroke="var(--accent)" stroke-width="2" />
      <path :d="`M48 ${top(picture) - 29}l${picture.hub ? '9 -5' : '0 -11'}`" stroke="var(--accent)" stroke-width="2" />
      <path :d="`M88 150V${Math.max(18, top(picture) - 29)}H63`" stroke="var(--mute)" stroke-width="2" />
      <text x="4" y="165" font-size="9.5" fill="var(--ink)" stroke="none">{{ picture.title }}</text>
    </LitPlace>
    <path d="M244 120V70m0 0l-4 7m4-7l4 7m-4 43l-4-7m4 7l4-7" stroke="var(--out)" stroke-width="1.7" />
    <text x="206" y="12" font-size="11" font-weight="700" fill="var(--out)" stroke="none">{{ words }}</text>
    <path :d="sense === 'falls' ? 'M332 4v14m0 0l-4-6m4 6l4-6' : 'M332 18V4m0 0l-4 6m4-6l4 6'" stroke="var(--out)" stroke-width="1.7" />
  </svg>
</template>
