<script setup lang="ts">
import { computed } from 'vue'
import { useDirectory } from '../data/directory'
import { byKey } from '../parts/marks'

/** Items that another is linked to: each opens. */
const props = defineProps<{ ids: readonly string[] }>()
const emit = defineEmits<{ open: [key: string] }>()
const directory = useDirectory()
const items = computed(() => props.ids.flatMap((id) => directory.reader.names.item(id) ?? []).sort(byKey))
</script>

<template>
  <button
    v-for="{ key, title } in items"
    :key="key"
    type="button"
    class="linked one-line"
    :title="title"
    @click="emit('open', key)"
  >
    <span class="num soft">{{ key }}</span> {{ title }}
  </button>
</template>

<style scoped>
.linked {
  display: block;
  max-width: 100%;
  min-height: var(--line);
  text-align: left;
}
.linked:hover {
  text-decoration: underline;
}
</style>
