// The library of composables watches sizes already: the component library needs no second way.
export { useElementSize, useResizeObserver } from '@vueuse/core'
