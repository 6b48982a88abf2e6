<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import { VTextField } from 'vuetify/components/VTextField'
import SelectOne from '../parts/SelectOne.vue'
import { compareText } from '#core/base/collation'
import type { Condition, FactRef, FactTest, ProjectId } from '#core/model/records'
import type { Fact } from '#core/facts/contract'
import { firstTest, maybeFact } from '#core/facts/registry'
import { plainFigures } from '#core/fields/figures'
import { typeOf } from '#core/fields/registry'
import type { ValueCounts } from '#core/queries/value-counts'
import ChoiceList, { type Choice } from '../parts/ChoiceList.vue'
import { factChoices } from '../parts/choices'
import { useDirectory } from '../data/directory'
import { useAsk } from '../data/use-ask'
import { valueWords } from '../parts/words'
import { phraseWords } from './phrase-words'
import { tallyWords } from '../shell/words'
import DaysEditor from './DaysEditor.vue'
import RangeEditor from './RangeEditor.vue'
import { toggled } from '../parts/toggled'
import { vTakesFocus } from '../parts/takes-focus'

/** What is asked of one fact: how, and of which values, each with how many items it would give. */
type FactCondition = Extract<Condition, { about: 'fact' }>
const props = defineProps<{
  project: ProjectId
  condition: FactCondition
  isNot: boolean
  others: readonly Condition[]
}>()
const emit = defineEmits<{ change: [condition: FactCondition, isNot: boolean]; leave: [] }>()
const directory = useDirectory()
const ask = useAsk()
const fact = computed(() => maybeFact(directory.reader, props.project, props.condition.fact))
const test = computed(() => props.condition.test)

const counts = shallowRef<ValueCounts>()
watch(
  () => JSON.stringify([props.others, props.condition.fact]),
  async (key) => {
    const [others, fact] = JSON.parse(key) as [Condition[], FactRef]
    counts.value = await ask('valueCounts', { project: props.project, others, fact })
  },
  { immediate: true },
)

/** The ways in which a fact of each kind can be asked: what is tested, and whether it is meant the other way round. */
type How = readonly [id: string, label: string]
const how = computed((): string => {
  const { is } = test.value
  if (is === 'empty' || is === 'filled') return is
  return is === 'allOf' ? (props.isNot ? 'not-all' : 'all') : props.isNot ? 'not' : 'is'
})
const hows = computed((): How[] => {
  const filled: How[] = [['filled', phraseWords.isFilled], ['empty', phraseWords.isEmpty]] // prettier-ignore
  switch (fact.value?.kind) {
    case 'choices':
      return [['is', phraseWords.hasAny], ['all', phraseWords.hasAll], ['not', phraseWords.hasNone], ['not-all', phraseWords.hasNotAll], ...filled] // prettier-ignore
    case 'text':
      return [['is', phraseWords.hasWords], ['not', phraseWords.hasNotWords], ...filled]
    case 'flag':
      return isTicked(fact.value)
        ? [
            ['filled', phraseWords.ticked],
            ['empty', phraseWords.notTicked],
          ]
        : filled
    default:
      return [['is', phraseWords.is], ['not', phraseWords.isNot], ...filled]
  }
})
const isTicked = ({ field }: Fact): boolean => !!field && !!typeOf(field).isTicked
/** A test of the fact's kind that asks nothing yet. */
function blank(): FactTest {
  const first = fact.value && firstTest(directory.reader, props.project, { ...fact.value, automatic: undefined })
  return first && first.is !== 'filled' ? first : { is: 'anyOf', values: [] }
}
function choose(next: string): void {
  const isNot = next.startsWith('not')
  if (next === 'empty' || next === 'filled') return change({ is: next }, false)
  const held = test.value.is === 'empty' || test.value.is === 'filled' ? blank() : test.value
  if (held.is === 'anyOf' || held.is === 'allOf') {
    const isAll = next.endsWith('all') && held.values.length > 0
    return change({ is: isAll ? 'allOf' : 'anyOf', values: held.values }, isNot)
  }
  change(held, isNot)
}
const change = (next: FactTest, isNot: boolean = props.isNot) =>
  emit('change', { ...props.condition, test: next }, isNot)

const chosen = computed(() => (test.value.is === 'anyOf' || test.value.is === 'allOf' ? test.value.values : []))
function toggle(id: string): void {
  const values = toggled(chosen.value, id)
  change({ is: test.value.is === 'allOf' && values.length ? 'allOf' : 'anyOf', values })
}
const choices = computed((): Choice[] => {
  const held = counts.value?.values ?? {}
  if (fact.value?.isOfItems) return items.value.map((one) => ({ ...one, count: held[one.id] ?? 0 }))
  const project = directory.reader.maybe('project', props.project)
  return project && fact.value ? factChoices(directory, project, fact.value, held) : []
})

/** The page knows no items: their names are asked for. */
const items = computed(() => {
  const ids = fact.value?.isOfItems && counts.value ? [...Object.keys(counts.value.values), ...chosen.value] : []
  return [...new Set(ids)]
    .flatMap((id) => {
      const name = directory.reader.names.item(id)
      return name ? { id, label: `${name.key} ${name.title}` } : []
    })
    .sort((a, b) => compareText(a.label, b.label))
})
const flagCount = computed(() => {
  if (!counts.value) return ''
  const { empty, total } = counts.value
  return tallyWords.items(test.value.is === 'empty' ? empty : total - empty)
})
const setWords = (typed: string) => {
  if (typed.trim()) change({ is: 'has', words: typed })
}
</script>

<template>
  <div>
    <div class="how">
      <span class="name">{{ fact?.name ?? valueWords.removed }}</span>
      <SelectOne
        :label="phraseWords.how(fact?.name ?? '')"
        :choices="hows.map(([value, title]) => ({ value, title }))"
        :chosen="how"
        @choose="choose"
      />
    </div>
    <p v-if="test.is === 'empty' || test.is === 'filled'" class="soft note">{{ flagCount }}</p>
    <ChoiceList
      v-else-if="test.is === 'anyOf' || test.is === 'allOf'"
      :choices="choices"
      :chosen="chosen"
      :label="fact?.name ?? ''"
      several
      @choose="toggle"
      @leave="emit('leave')"
    />
    <RangeEditor
      v-else-if="test.is === 'between'"
      :figures="fact?.figures ?? plainFigures"
      :from="test.from"
      :to="test.to"
      @change="(from, to) => change({ is: 'between', from, to })"
    />
    <DaysEditor
      v-else-if="test.is === 'days'"
      :project="project"
      :fact="condition.fact"
      :others="others"
      :from="test.from"
      :to="test.to"
      @change="(from, to) => change({ is: 'days', from, to })"
    />
    <div v-else-if="test.is === 'has'" class="words">
      <VTextField
        maxlength="200"
        :aria-label="phraseWords.hasWords"
        :model-value="test.words.trim()"
        v-takes-focus
        @update:model-value="setWords"
        @keydown.enter="emit('leave')"
      />
    </div>
  </div>
</template>

<style scoped>
.how {
  display: flex;
  align-items: baseline;
  gap: 8px;
  padding: 10px 14px 2px;
}
.name {
  font: var(--type-head);
}
.note,
.words {
  padding: 8px 14px 12px;
  margin: 0;
}
</style>
