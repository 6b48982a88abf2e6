<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { VSelect } from 'vuetify/components/VSelect'
import { isSameValue } from '#core/base/sorted-ids'
import { rollUpNames, type RollUpName } from '#core/fields/names'
import { fieldTypes } from '#core/fields/registry'
import type { FieldSettings } from '#core/fields/settings'
import type { Field } from '#core/model/records'
import type { TriedAnswer } from '#core/facts/workings'
import { useAsk } from '../data/use-ask'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { workedFormWords } from './field-words'
import TriedResults from './TriedResults.vue'
import { lookedUp, lookUpSettings, overOf, readBy, rollUpSettings, weights, type Over } from './worked'

/** What a roll-up or a look-up reads, with what it comes to for some items. */
const props = defineProps<{ field: Field; isNew: boolean }>()
const settings = defineModel<FieldSettings>({ required: true })
const isFit = defineModel<boolean>('fit', { required: true })
const directory = useDirectory()
const changes = useChanges()
const ask = useAsk()
const isLookUp = computed(() => props.field.type === 'lookUp')
const others = computed(() => directory.fields(props.field.project).filter(({ id }) => id !== props.field.id))
const how = ref<RollUpName>(settings.value.how ?? 'sum')
const over = ref<Over>(overOf(settings.value) ?? (isLookUp.value ? 'parent' : 'children'))
const overs = computed(() => [
  ...(isLookUp.value ? (['parent'] as const) : (['children', 'inside'] as const)).map((one) => ({ value: one as Over, title: workedFormWords.overs[one] })),
  ...others.value.filter(({ type }) => fieldTypes[type].isLinked).map(({ id, name }) => ({ value: id as Over, title: workedFormWords.linked(name) })),
]) // prettier-ignore
const of = ref<string | undefined>(settings.value.of)
const weight = ref<string>(settings.value.weight ?? '')
const readsNone = computed(() => how.value === 'count' || how.value === 'finished')
const readable = computed(() => (isLookUp.value ? lookedUp(others.value) : readBy(how.value, others.value)))
const choice = (field: Field) => ({ value: field.id as string, title: field.name })
watch(
  readable,
  (now) => {
    if (!now.some(({ id }) => id === of.value)) of.value = now[0]?.id
  },
  { immediate: true },
)
/** Views ask for it as what it gives: of a field that is there, that stays. */
const hows = computed(() =>
  rollUpNames
    .filter((one) => props.isNew || rollUpKind(one) === rollUpKind(settings.value.how ?? one))
    .map((one) => ({ value: one, title: workedFormWords.hows[one] })),
)
const rollUpKind = (one: RollUpName): string => (one === 'earliest' || one === 'latest' ? 'day' : one === 'worst' ? 'health' : 'number') // prettier-ignore
const find = (id: string | undefined) => others.value.find((field) => field.id === id)
const draft = computed((): FieldSettings | undefined => {
  const read = find(of.value)
  if (isLookUp.value) return read && lookUpSettings(read, over.value)
  return rollUpSettings({ how: how.value, over: over.value, of: read, weight: find(weight.value) })
})
const told = shallowRef<TriedAnswer>()
const problem = ref('')
let asked = 0
async function tryIt(now: FieldSettings | undefined): Promise<void> {
  const mine = ++asked
  isFit.value = false
  const answer = now && (await ask('tried', { field: { ...props.field, settings: now } }))
  if (mine !== asked) return
  told.value = answer
  problem.value = answer?.problem ? await changes.wordsFor(answer.problem) : ''
  isFit.value = !!answer && !answer.problem
  if (now && !isSameValue(now, settings.value)) settings.value = now
}
onMounted(() => watch(draft, tryIt, { immediate: true }))
</script>

<template>
  <div class="roll">
    <VSelect v-if="!isLookUp" v-model="how" :items="hows" :label="workedFormWords.how" />
    <VSelect v-if="overs.length > 1" v-model="over" :items="overs" :label="workedFormWords.over" />
    <VSelect
      v-if="(isLookUp || !readsNone) && readable.length"
      v-model="of"
      :items="readable.map(choice)"
      :label="workedFormWords.of"
    />
    <p v-else-if="isLookUp || !readsNone" class="soft">{{ workedFormWords.none }}</p>
    <VSelect
      v-if="!isLookUp && how === 'finished'"
      v-model="weight"
      :items="[{ value: '', title: workedFormWords.alike }, ...weights(others).map(choice)]"
      :label="workedFormWords.weight"
    />
    <p v-if="problem" class="rust" role="alert">{{ problem }}</p>
    <TriedResults v-else-if="told" :results="told.results" />
  </div>
</template>

<style scoped>
.roll {
  display: grid;
  gap: 10px;
}
</style>
