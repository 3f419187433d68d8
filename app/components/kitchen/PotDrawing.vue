<script setup lang="ts">
import { heatsItself, type Cooker } from '~~/core/appliance/appliance'

/** A cooker on the shelf, all of them to one scale. */
const { cooker } = defineProps<{ cooker: Pick<Cooker, 'appliance' | 'body'> }>()
const PX_PER_MM = 0.52
const TOP_MM = 46
const SIDE_MM = 22
const HANDLE_MM = 52
const itself = computed(() => heatsItself(cooker.appliance))
const size = computed(() => {
  const { innerDiameterMm: width, innerHeightMm: height } = cooker.body
  return {
    width,
    height,
    allWidth: width + 2 * SIDE_MM + (itself.value ? 0 : HANDLE_MM),
    allHeight: height + TOP_MM + 28,
  }
})
</script>

<template>
  <svg
    :viewBox="`0 0 ${size.allWidth} ${size.allHeight}`"
    :width="size.allWidth * PX_PER_MM"
    :height="size.allHeight * PX_PER_MM"
  >
    <PotShell
      :appliance="cooker.appliance"
      :left="SIDE_MM"
      :top="TOP_MM"
      :width="size.width"
      :height="size.height"
      :heat="0"
      :handle-mm="itself ? 0 : HANDLE_MM - 10"
    />
  </svg>
</template>
