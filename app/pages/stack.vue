<script setup lang="ts">
// Where stacks were planned before: links and bookmarks still lead there.
definePageMeta({ redirect: '/pot/tins' })
</script>

<template>
  <div />
</template>
