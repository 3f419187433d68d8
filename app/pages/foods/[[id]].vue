<script setup lang="ts">
// Where the larder stood before: links and bookmarks still lead there.
definePageMeta({ redirect: ({ params }) => `/larder/${String(params.id ?? '')}`.replace(/\/$/, '') })
</script>

<template>
  <div />
</template>
