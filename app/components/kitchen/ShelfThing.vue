<script setup lang="ts">
/** One thing on a shelf, drawn to scale from its own measures; what is touched opens beside. */
defineProps<{ id: string; name: string; lines: readonly string[]; chosen: boolean; tone?: 'plain' | 'known' }>()
defineEmits<{ choose: [] }>()
defineSlots<{ default(): unknown }>()
</script>

<template>
  <li>
    <RowBtn class="thing" :class="{ chosen }" :aria-pressed="chosen" :data-thing="id" @click="$emit('choose')">
      <span class="drawn" aria-hidden="true"><slot /></span>
      <strong>{{ name }}</strong>
      <span v-for="(line, i) in lines" :key="i" class="soft">{{ line }}</span>
    </RowBtn>
  </li>
</template>

<style scoped>
li {
  display: grid;
}
.thing {
  display: grid;
  grid-template-rows: 1fr;
  justify-items: center;
  align-content: end;
  min-width: 92px;
  min-height: 44px;
  padding: 8px 10px 10px;
  border: 1px solid transparent;
  text-align: center;
}
.thing:hover strong {
  text-decoration: underline;
  text-underline-offset: 3px;
}
.chosen {
  border-color: var(--ink);
  background: var(--ground-raised);
}
.drawn {
  display: grid;
  align-items: end;
  justify-items: center;
}
.drawn :deep(svg) {
  display: block;
}
.soft {
  max-width: 22ch;
  font-size: 13.5px;
}
</style>
