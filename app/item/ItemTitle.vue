<script setup lang="ts">
import { ref, watch } from 'vue'
import type { Item } from '#core/model/records'
import { VTextarea } from '../parts/controls'
import { useTitleEdit } from '../parts/use-title-edit'
import { headOf } from '../parts/called'
import { useDirectory } from '../data/directory'
import { vTakesFocus } from '../parts/takes-focus'

/** An item's title: pressed, it is retyped. */
const props = defineProps<{ item: Item; mayEdit: boolean }>()
const directory = useDirectory()
const { title, begin, changed, save: send } = useTitleEdit(() => props.item)
const isOpen = ref(false)
watch(
  () => props.item.id,
  () => (isOpen.value = false),
)
function open(): void {
  if (!props.mayEdit) return
  begin()
  isOpen.value = true
}
async function save(): Promise<void> {
  if (!isOpen.value) return
  isOpen.value = false
  const to = changed()
  if (to !== undefined) await send(to)
}
</script>

<template>
  <VTextarea
    v-if="isOpen"
    v-model="title"
    class="title in-place"
    variant="plain"
    rows="1"
    maxlength="600"
    :aria-label="headOf(directory, item.project, 'title')"
    v-takes-focus
    @keydown.enter.prevent="save"
    @keydown.esc.stop="isOpen = false"
    @blur="save"
  />
  <h2 v-else>
    <button type="button" class="heading" :disabled="!mayEdit" @click="open">{{ item.title }}</button>
  </h2>
</template>

<style scoped>
h2 {
  font: var(--type-title);
  letter-spacing: -0.01em;
  overflow-wrap: anywhere;
}
.heading {
  min-height: var(--target);
}
.heading:not(:disabled) {
  cursor: text;
}
button:disabled {
  cursor: default;
}
.title :deep(textarea) {
  font: var(--type-title);
}
</style>
