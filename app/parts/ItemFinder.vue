<script setup lang="ts">
import { ref, shallowRef, watch } from 'vue'
import type { ProjectId } from '#core/model/records'
import type { FoundItem } from '#core/queries/found'
import { useAsk } from '../data/use-ask'
import { editorWords } from './words'
import { frameWords } from '../shell/words'
import FindList from './FindList.vue'

/** Finds an item by words of its title or its key, at each keystroke: within a project, or in all of them. */
const props = defineProps<{
  label: string
  project?: ProjectId
  without?: readonly string[]
  typed?: string | undefined
}>()
const emit = defineEmits<{
  choose: [found: { id: string; key: string }]
  found: [ids: readonly string[]]
  leave: []
}>()
const ask = useAsk()
const typed = ref(props.typed ?? '')
const found = shallowRef<readonly FoundItem[]>([])
/** Enter waits for the answer to what was typed last. */
let asked: Promise<unknown> = Promise.resolve()
watch(
  typed,
  async (text) => {
    // Over all projects nothing typed finds nothing; within one it shows what there is.
    const answer = text.trim() || props.project ? ask('search', { project: props.project, words: text }) : undefined
    asked = Promise.resolve(answer)
    const items = ((await answer) ?? []).filter((one) => !props.without?.includes(one.id))
    if (text !== typed.value) return
    found.value = items
    emit(
      'found',
      items.map((one) => one.id),
    )
  },
  { immediate: true },
)
</script>

<template>
  <FindList
    v-model="typed"
    :lines="found"
    :key-of="(one) => one.id"
    :label="label"
    :placeholder="frameWords.searchHint"
    :none="typed.trim() && editorWords.none"
    :answered="() => asked"
    @take="emit('choose', $event)"
    @leave="emit('leave')"
  >
    <template #default="{ line: one }">
      <span class="one-line"
        ><span class="soft">{{ one.key }}</span> {{ one.title }}</span
      >
      <slot name="note" :one="one" />
    </template>
  </FindList>
</template>
