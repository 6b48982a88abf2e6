<script setup lang="ts">
import { nextTick, onMounted, ref, shallowRef, useId, watch } from 'vue'
import type { Item } from '#core/model/records'
import { useSession } from '../stores/session'
import { words } from '../words'

/** Chooses the item inside which another stands, by words of its title or its key. */
const props = defineProps<{ item: Item }>()
const emit = defineEmits<{ choose: [id: string | null]; leave: [] }>()
const session = useSession()
const id = useId()
const typed = ref('')
const at = ref(0)
const found = shallowRef<readonly { id: string; key: string; title: string }[]>([])
const input = ref<HTMLInputElement>()
watch(
  typed,
  async (text) => {
    at.value = 0
    found.value = ((await session.api?.find(props.item.project, text)) ?? []).filter((one) => one.id !== props.item.id)
  },
  { immediate: true },
)
onMounted(() => void nextTick(() => input.value?.focus()))
function onKey(event: KeyboardEvent): void {
  if (event.key === 'ArrowDown') at.value = Math.min(found.value.length - 1, at.value + 1)
  else if (event.key === 'ArrowUp') at.value = Math.max(0, at.value - 1)
  else if (event.key === 'Enter') emit('choose', found.value[at.value]?.id ?? null)
  else if (event.key === 'Escape' || event.key === 'Tab') emit('leave')
  else return
  event.preventDefault()
  event.stopPropagation()
}
</script>

<template>
  <div class="picker">
    <input
      ref="input"
      v-model="typed"
      role="combobox"
      aria-expanded="true"
      aria-autocomplete="list"
      :aria-controls="`${id}-list`"
      :aria-activedescendant="found.length ? `${id}-${at}` : undefined"
      :aria-label="words.frame.searchHint"
      :placeholder="words.frame.searchHint"
      autocomplete="off"
      @keydown="onKey"
    />
    <ul :id="`${id}-list`" role="listbox" :aria-label="words.item.parent">
      <li
        v-for="(one, i) in found"
        :id="`${id}-${i}`"
        :key="one.id"
        role="option"
        :aria-selected="i === at"
        :class="{ at: i === at }"
        @mousedown.prevent
        @click="emit('choose', one.id)"
      >
        <span class="soft">{{ one.key }}</span> {{ one.title }}
      </li>
    </ul>
    <button v-if="item.parent" type="button" class="link" @click="emit('choose', null)">
      {{ words.item.noParent }}
    </button>
  </div>
</template>

<style scoped>
.picker {
  width: 340px;
  padding: 8px;
}
input {
  width: 100%;
  border: 0;
  border-bottom: 1.5px solid var(--leaf);
  background: transparent;
  padding: 3px 6px 5px;
  font-size: 14px;
  outline: none;
}
ul {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
  max-height: 260px;
  overflow: auto;
}
li {
  padding: 4px 6px;
  border-radius: 3px;
  cursor: pointer;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
li.at,
li:hover {
  background: var(--leaf-tint);
}
.link {
  padding: 6px;
}
</style>
