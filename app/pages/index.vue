<script setup lang="ts">
definePageMeta({ redirect: '/pot' })
</script>

<template><div /></template>
