<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import type { Phrase } from '#core/language/grammar'
import type { Condition, ProjectId } from '#core/model/records'
import type { ReadPart, ReadWords } from '#core/queries/read-words'
import { useAsk } from '../data/use-ask'
import FindList from '../parts/FindList.vue'
import { phraseWords } from './phrase-words'

/** Phrases by typing: what was understood, with what each would leave, and what was not, and where. */
export interface Suggestion {
  readonly id: string
  readonly label: string
}
const props = defineProps<{
  project: ProjectId
  /** Conditions that hold beside them. */
  where: readonly Condition[]
  label: string
  /** What could be typed; else what usually could. */
  hint?: string
  /** Conditions alone can be typed here. */
  onlyConditions?: boolean
  suggestions?: readonly Suggestion[]
  autofocus?: boolean
}>()
const emit = defineEmits<{
  add: [conditions: readonly Condition[]]
  phrases: [phrases: readonly Phrase[]]
  suggest: [id: string]
  leave: []
}>()
const ask = useAsk()
const typed = ref('')
const read = shallowRef<ReadWords>({ parts: [], left: [] })
let asked: Promise<unknown> = Promise.resolve()

watch([typed, () => JSON.stringify(props.where)], async ([text]) => {
  const answer = text.trim() ? ask('typedWords', { project: props.project, where: props.where, text }) : undefined
  asked = Promise.resolve(answer)
  const understood = (await answer) ?? { parts: [], left: [] }
  if (text === typed.value) read.value = understood
})
const isTaken = (part: ReadPart) => !props.onlyConditions || part.phrase.says === 'where'
const parts = computed(() => read.value.parts.filter(isTaken))
const suggested = computed(() => {
  const folded = typed.value.trim().toLowerCase()
  return (props.suggestions ?? []).filter((one) => one.label.toLowerCase().includes(folded))
})
/** The first line takes all that was understood. */
const understood = 'understood'
type Line = Suggestion | typeof understood
const lines = computed((): Line[] => [...(parts.value.length ? ([understood] as const) : []), ...suggested.value])
const keyOf = (line: Line) => (line === understood ? line : line.id)

function take(line: Line): void {
  if (line !== understood) return emit('suggest', line.id)
  const phrases = parts.value.map((one) => one.phrase)
  if (props.onlyConditions)
    emit('add', phrases.flatMap((one) => (one.says === 'where' ? [one.condition] : []))) // prettier-ignore
  else emit('phrases', phrases)
  typed.value = ''
}
const saidOf = (part: ReadPart) => (part.count === undefined ? part.words : `${part.words} (${part.count})`)
</script>

<template>
  <FindList
    v-model="typed"
    :lines="lines"
    :key-of="keyOf"
    :label="label"
    :placeholder="hint ?? (onlyConditions ? phraseWords.conditionHint : phraseWords.typeHint)"
    :answered="() => asked"
    :is-calm="!autofocus"
    stays-on-tab
    @take="take"
    @leave="emit('leave')"
  >
    <template #said>
      <p v-if="typed.trim() && read.left.length" class="left" role="status">
        {{ phraseWords.notUnderstood }}
        <template v-for="(one, i) in read.left" :key="one.from"
          ><template v-if="i">, </template><b>{{ one.words }}</b></template
        >
      </p>
    </template>
    <template #default="{ line }">
      <span v-if="line === understood" class="understood">
        <span v-for="part in parts" :key="part.from">{{ saidOf(part) }}</span>
      </span>
      <template v-else>{{ line.label }}</template>
    </template>
  </FindList>
</template>

<style scoped>
.left {
  margin: 6px 6px 0;
  color: var(--rust);
  font-size: var(--size-small);
}
.understood {
  flex: 1;
  display: grid;
  gap: 2px;
  font: var(--type-phrase);
}
</style>
