<script setup lang="ts">
/** Where this page belongs: in the head of the page, and on a phone, whose head is one row, above the page itself. */
</script>

<template>
  <Teleport defer to="#crumbs"><slot /></Teleport>
  <div class="truncate px-4 pt-2 text-[13.5px] text-mute md:hidden"><slot /></div>
</template>
