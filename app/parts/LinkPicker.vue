<script setup lang="ts">
import { computed, ref } from 'vue'
import { VIcon } from 'vuetify/components/VIcon'
import type { Field, Item } from '#core/model/records'
import { idsOf } from '#core/fields/value'
import { useDirectory } from '../data/directory'
import ItemFinder from './ItemFinder.vue'
import { editorWords } from './words'

/** What an item is linked to in a field: taken out one by one, and found by title or key to be put in. */
const props = defineProps<{ field: Field; item: Item; typed?: string | undefined }>()
const emit = defineEmits<{ choose: [id: string]; leave: [] }>()
const directory = useDirectory()
const held = computed(() => idsOf(props.item.values[props.field.id]))
const box = ref<HTMLElement>()
/** What was pressed has gone: the keyboard goes on where others are found. */
function takeOut(id: string): void {
  emit('choose', id)
  box.value?.querySelector('input')?.focus()
}
const nameOf = (id: string) => directory.reader.names.item(id)
</script>

<template>
  <div ref="box" class="picker">
    <ul v-if="held.length">
      <li v-for="id in held" :key="id">
        <span class="one-line"
          ><span class="soft">{{ nameOf(id)?.key }}</span> {{ nameOf(id)?.title }}</span
        ><button type="button" :aria-label="editorWords.unlink(nameOf(id)?.key ?? '')" @click="takeOut(id)">
          <VIcon size="16" icon="$close" />
        </button>
      </li>
    </ul>
    <ItemFinder
      :label="editorWords.choose(field.name)"
      :project="field.project"
      :without="[item.id, ...held]"
      :typed="typed"
      @choose="emit('choose', $event.id)"
      @leave="emit('leave')"
    />
  </div>
</template>

<style scoped>
.picker {
  width: min(380px, 100vw - 24px);
  padding: 8px;
}
ul {
  list-style: none;
  margin: 0 0 6px;
  padding: 0;
  max-height: 160px;
  overflow: auto;
}
li {
  display: flex;
  align-items: center;
  gap: 8px;
  padding-left: 8px;
}
li .one-line {
  flex: 1;
}
button {
  min-width: var(--target);
  min-height: var(--target);
  border-radius: var(--round);
}
</style>
