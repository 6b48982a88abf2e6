<script setup lang="ts">
import { computed, ref } from 'vue'
import { mdiClose } from '@mdi/js'
import IconButton from '../parts/IconButton.vue'
import SelectOne from '../parts/SelectOne.vue'
import type { Condition, ProjectId } from '#core/model/records'
import { conditionWords } from '#core/language/conditions'
import { phraseWords } from './phrase-words'
import TypedPhrases from './TypedPhrases.vue'
import { useWording } from '../data/wording'

/** Conditions within one another: all, any or none of several, or what relatives must meet. The slot edits one of them. */
const props = defineProps<{ project: ProjectId; condition: Condition; others: readonly Condition[] }>()
const emit = defineEmits<{ change: [condition: Condition]; leave: [] }>()
const wording = useWording(() => props.project)
const open = ref(-1)

const parts = computed((): readonly Condition[] => ('of' in props.condition ? props.condition.of : 'that' in props.condition ? [props.condition.that] : [])) // prettier-ignore
const isGroup = computed(() => 'of' in props.condition)
const kinds = computed(() =>
  (isGroup.value ? phraseWords.groups : phraseWords.kinships).map(([value, title]) => ({ value, title })),
)
/** What a part's counts are counted among: of any, each alone; of all, with the others. */
const among = (i: number): Condition[] =>
  props.condition.about === 'all' ? [...props.others, ...parts.value.filter((_, k) => k !== i)] : [...props.others]

const chosenKind = computed(() => kinds.value.find((kind) => kind.value === props.condition.about)?.value)
function retype(about: string): void {
  if ('of' in props.condition) emit('change', { about: about as 'all', of: props.condition.of })
  else if ('that' in props.condition) emit('change', { about: about as 'parent', that: props.condition.that })
}
function change(i: number, next: Condition): void {
  if ('of' in props.condition)
    emit('change', { about: props.condition.about, of: props.condition.of.map((one, k) => (k === i ? next : one)) })
  else if ('that' in props.condition) emit('change', { about: props.condition.about, that: next })
}
function remove(i: number): void {
  if (!('of' in props.condition)) return
  const of = props.condition.of.filter((_, k) => k !== i)
  open.value = -1
  // One that is left alone stands for itself.
  const [only] = of
  if (of.length === 1 && only && props.condition.about !== 'none') emit('change', only)
  else if (of.length) emit('change', { about: props.condition.about, of })
}
function add(conditions: readonly Condition[]): void {
  if ('of' in props.condition)
    emit('change', { about: props.condition.about, of: [...props.condition.of, ...conditions] })
}
</script>

<template>
  <div class="nested">
    <SelectOne :label="phraseWords.nested" :choices="kinds" :chosen="chosenKind" @choose="retype" />
    <ul>
      <li v-for="(one, i) in parts" :key="i">
        <div class="part">
          <button type="button" class="words" :aria-expanded="open === i" @click="open = open === i ? -1 : i">
            {{ wording ? conditionWords(one, wording) : '' }}
          </button>
          <IconButton
            v-if="isGroup && parts.length > 1"
            :icon="mdiClose"
            :label="phraseWords.takeOut"
            @click="remove(i)"
          />
        </div>
        <div v-if="open === i" class="inner">
          <slot
            :condition="one"
            :others="among(i)"
            :change="(next: Condition) => change(i, next)"
            :leave="() => (open = -1)"
          />
        </div>
      </li>
    </ul>
    <TypedPhrases
      v-if="isGroup"
      :project="project"
      :where="others"
      :label="phraseWords.addWithin"
      only-conditions
      @add="add"
      @leave="emit('leave')"
    />
  </div>
</template>

<style scoped>
.nested {
  padding: 10px 14px 8px;
}
ul {
  list-style: none;
  margin: 8px 0;
  padding: 0 0 0 10px;
  border-left: 2px solid var(--rule-strong);
}
.part {
  display: flex;
  justify-content: space-between;
  gap: 8px;
}
.words {
  text-align: left;
  padding: 3px 2px;
  border-bottom: 1.5px dotted var(--lichen);
}
.inner {
  background: var(--sunk);
  border-radius: var(--round-card);
  margin: 4px 0;
}
</style>
