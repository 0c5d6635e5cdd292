<script setup lang="ts">
import { usePreferences } from '~/stores/preferences'

const preferences = usePreferences()
const route = useRoute()
const views = [
  { to: '/', label: 'Jobs', also: ['/jobs', '/checks'] },
  { to: '/units', label: 'Units', also: ['/trends'] },
  { to: '/stock', label: 'Stock', also: ['/orders'] },
  { to: '/gauges', label: 'Gauges', also: [] },
  { to: '/limits', label: 'Limits', also: [] },
  { to: '/records', label: 'Records', also: ['/backup'] },
]
// Here before the first dialog is asked for, since the server may be away by then.
let later: ReturnType<typeof setTimeout> | undefined
onNuxtReady(() => {
  later = setTimeout(() => void preloadComponents('DialogFrame'), 5_000)
})
onUnmounted(() => clearTimeout(later))
const isOn = (view: (typeof views)[number]) =>
  route.path === view.to || [...view.also, ...(view.to === '/' ? [] : [view.to])].some(path => route.path.startsWith(path))
</script>

<template>
  <div class="flex min-h-full flex-col">
    <ShopNotice />
    <ScanNotice />
    <header class="print:hidden flex min-h-13 items-center gap-x-3 border-b rule px-4 py-1 md:flex-wrap md:gap-x-5 md:gap-y-1 md:px-6">
      <NuxtLink to="/" class="display text-xl" aria-label="Finitum, all jobs">Fin<span class="text-accent">i</span>tum</NuxtLink>
      <button type="button" class="flex min-h-11 items-center gap-1.5 font-semibold md:hidden" popovertarget="views" aria-haspopup="true">
        {{ views.find(isOn)?.label ?? 'Views' }} <span aria-hidden="true" class="text-mute">▾</span>
      </button>
      <nav id="views" :key="route.path" aria-label="Views" popover class="views md:flex md:flex-wrap md:gap-1">
        <NuxtLink
          v-for="view in views"
          :key="view.to"
          :to="view.to"
          class="flex min-h-11 items-center px-4 font-semibold md:px-2.5"
          :class="isOn(view) ? 'text-ink' : 'text-mute'"
          :aria-current="isOn(view) ? 'page' : undefined"
          >{{ view.label }}</NuxtLink
        >
        <button type="button" class="flex min-h-11 items-center px-4 font-semibold text-mute md:hidden" @click="preferences.toggleTheme">
          {{ preferences.theme === 'light' ? 'Dark' : 'Light' }}
        </button>
      </nav>
      <div id="crumbs" class="hidden min-w-0 flex-1 text-right text-sm text-mute md:block" />
      <div class="ml-auto flex items-center gap-2.5 md:gap-3">
        <div role="group" aria-label="Unit shown" class="flex overflow-hidden rounded-md border rule">
          <button
            v-for="system in ['inch', 'metric'] as const"
            :key="system"
            type="button"
            class="min-h-9 px-2 text-sm font-semibold md:px-3"
            :class="preferences.system === system ? 'bg-ink text-paper' : 'text-mute'"
            :aria-pressed="preferences.system === system"
            @click="preferences.system = system"
          >
            {{ system === 'inch' ? 'thou' : 'mm' }}
          </button>
        </div>
        <WhoButton />
        <button type="button" class="hidden min-h-9 px-1 text-sm font-semibold text-mute md:block" @click="preferences.toggleTheme">
          {{ preferences.theme === 'light' ? 'Dark' : 'Light' }}
        </button>
        <div id="saved" class="text-right text-sm md:min-w-16" role="status" />
      </div>
    </header>
    <main class="flex min-h-0 flex-1 flex-col">
      <slot />
    </main>
    <KeyFoot />
  </div>
</template>
