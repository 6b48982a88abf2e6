<script setup lang="ts">
import { computed, ref, shallowReactive } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { VVirtualScroll } from 'vuetify/components/VVirtualScroll'
import type { PastedLine } from '#core/entry/pasted'
import type { Value } from '#core/fields/value'
import { isLacking } from '#core/items/entering'
import type { Field, Item } from '#core/model/records'
import { counted } from '../counted'
import { FieldInput } from './field-input-later'
import PopDialog from './PopDialog.vue'
import { vTakesFocus } from './takes-focus'
import { editorWords, pasteWords } from './words'

/** What lines that were pasted become, seen before they are added; what all of them must have is filled in here. */
const props = defineProps<{ lines: readonly PastedLine[]; asks: readonly Field[] }>()
const emit = defineEmits<{ take: [said: Item['values']]; close: [] }>()
const isOpen = ref(true)
const said = shallowReactive<Record<string, Value>>({})
const mayGo = computed(() => !props.asks.some(({ id }) => isLacking(said[id])))
const levels = computed(() => props.lines.reduce((most, { level }) => Math.max(most, level + 1), 1))
const items = computed(() => counted(props.lines.length, 'item', 'items'))
</script>

<template>
  <PopDialog v-model="isOpen" :label="pasteWords.title(items)" @update:model-value="emit('close')">
    <form class="asked" @submit.prevent="mayGo && emit('take', { ...said })">
      <h2>{{ pasteWords.title(items) }}</h2>
      <p class="soft">{{ pasteWords.levels(levels) }}</p>
      <VVirtualScroll :items="lines as PastedLine[]" :item-height="26" class="lines" tabindex="0" role="list">
        <template #default="{ item }">
          <div class="line one-line" role="listitem" :style="{ '--level': Math.min(item.level, 12) }">
            <span v-if="item.isTicked" class="soft">{{ pasteWords.finished }} · </span>{{ item.title.slice(0, 300) }}
          </div>
        </template>
      </VVirtualScroll>
      <FieldInput
        v-for="field in asks"
        :key="field.id"
        :model-value="said[field.id] ?? null"
        :field="field"
        @update:model-value="said[field.id] = $event"
      />
      <div class="ends">
        <VBtn v-takes-focus type="submit" variant="flat" :disabled="!mayGo">{{ pasteWords.add(items) }}</VBtn>
        <VBtn variant="plain" @click="emit('close')">{{ editorWords.cancel }}</VBtn>
      </div>
    </form>
  </PopDialog>
</template>

<style scoped>
.lines {
  max-height: min(50vh, 420px);
  border: 1px solid var(--rule);
  border-radius: var(--round);
  padding: 4px 0;
}
.line {
  line-height: 26px;
  padding: 0 10px 0 calc(10px + var(--level) * 18px);
}
</style>
