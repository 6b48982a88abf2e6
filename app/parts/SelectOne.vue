<script setup lang="ts" generic="V extends string | boolean">
import { VSelect } from 'vuetify/components/VSelect'

/** One of a few, chosen from a list that opens where it stands; the label is said to screen readers alone. */
defineProps<{
  choices: readonly { readonly value: V; readonly title: string }[]
  chosen: V | undefined
  label: string
  placeholder?: string
}>()
const emit = defineEmits<{ choose: [value: V] }>()
</script>

<template>
  <VSelect
    class="select-one"
    variant="underlined"
    :items="choices"
    :model-value="chosen"
    :aria-label="label"
    :placeholder="placeholder"
    @update:model-value="emit('choose', $event as V)"
  />
</template>

<style scoped>
.select-one {
  flex: 0 1 auto;
  min-width: 96px;
}
</style>
