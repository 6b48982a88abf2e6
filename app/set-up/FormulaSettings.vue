<script setup lang="ts">
import { computed, nextTick, onMounted, ref, shallowRef, watch } from 'vue'
import { VNumberInput } from 'vuetify/components/VNumberInput'
import { VSelect } from 'vuetify/components/VSelect'
import { VTextField } from 'vuetify/components/VTextField'
import { VTextarea } from 'vuetify/components/VTextarea'
import { isSameValue } from '#core/base/sorted-ids'
import { currencies } from '#core/fields/currencies'
import { keysIn, oneWord, writtenFormula } from '#core/fields/formulas'
import type { GivenType } from '#core/fields/names'
import { fieldTypes, shownType } from '#core/fields/registry'
import { longestFormula, type FieldSettings } from '#core/fields/settings'
import { functionList } from '#core/worked-out/function-list'
import { nameables } from '#core/worked-out/names'
import type { Field } from '#core/model/records'
import type { TriedAnswer } from '#core/facts/workings'
import { useAsk } from '../data/use-ask'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { fieldWords, workedFormWords } from './field-words'
import TriedResults from './TriedResults.vue'
import { decimalsOf, proposedGives } from './worked'

/** The formula of a computed field: checked while it is typed, with what it comes to for some items. */
const props = defineProps<{ field: Field; isNew: boolean }>()
const settings = defineModel<FieldSettings>({ required: true })
const isFit = defineModel<boolean>('fit', { required: true })
const directory = useDirectory()
const changes = useChanges()
const ask = useAsk()
/** A formula may name every other field; that it names itself is told as a loop. */
const names = computed(() => nameables(directory.reader, props.field.project))
const written = ref(writtenFormula(props.field.settings.formula ?? '', names.value))
const told = shallowRef<TriedAnswer>()
const problem = ref('')
const gives = ref<GivenType | undefined>(settings.value.gives)
const decimals = ref<number | undefined>(props.isNew ? undefined : (settings.value.decimals ?? 0))
const unit = ref(settings.value.unit ?? '')
const currency = ref(settings.value.currency ?? currencies[0])

const isNumber = computed(() => gives.value === 'number')
const named = computed(() =>
  keysIn(told.value?.formula ?? '').flatMap((key) => directory.reader.maybe('field', key) ?? []),
)
const decimalsNow = computed(() => {
  return decimals.value ?? decimalsOf(written.value, named.value)
})
const draft = computed((): FieldSettings => ({
  ...(told.value?.formula && { formula: told.value.formula }),
  ...(gives.value && { gives: gives.value }),
  ...(isNumber.value && unit.value.trim() && { unit: unit.value.trim() }),
  ...(isNumber.value && decimalsNow.value && { decimals: decimalsNow.value }),
  ...(gives.value === 'money' && { currency: currency.value }),
}))
/** Somebody has said as what it is shown. */
const isChosen = ref(!props.isNew)
function propose(all: readonly GivenType[]): void {
  gives.value = proposedGives(all, named.value)
  const money = named.value.find(({ type, settings }) => shownType({ type, settings }) === 'money')
  if (gives.value === 'money' && money?.settings.currency) currency.value = money.settings.currency
}
let asked = 0
async function tryIt(): Promise<void> {
  const mine = ++asked
  if (!written.value.trim()) {
    told.value = undefined
    problem.value = ''
    return
  }
  const answer = await ask('tried', { field: { ...props.field, settings: { ...draft.value, formula: undefined } as FieldSettings }, written: written.value }) // prettier-ignore
  if (mine !== asked || !answer) return
  told.value = answer
  problem.value = answer.problem ? await changes.wordsFor(answer.problem) : ''
  if (answer.gives && !(isChosen.value && gives.value && answer.gives.includes(gives.value))) propose(answer.gives)
}
/** While somebody types, nothing is said of every letter. */
const pauseMs = 180
let waiting: ReturnType<typeof setTimeout> | undefined
onMounted(() => {
  watch(
    [written, gives, decimals, unit, currency],
    (now, before) => {
      clearTimeout(waiting)
      // How it is shown makes no formula worse.
      if (now[0] !== before[0]) isFit.value = false
      waiting = setTimeout(() => void tryIt().then(settle), pauseMs)
    },
    { immediate: true },
  )
})
function settle(): void {
  const answer = told.value
  isFit.value = !!answer?.formula && !answer.problem && !!gives.value
  if (isFit.value && !isSameValue(settings.value, draft.value)) settings.value = draft.value
}
watch(draft, settle)

const fault = computed(() => {
  const found = told.value?.fault
  if (!found) return undefined
  const [from, to] = [found.from, Math.max(found.to, found.from)]
  return { words: found.words, before: written.value.slice(0, from), at: written.value.slice(from, to) || ' ', after: written.value.slice(to) } // prettier-ignore
})
const giveChoices = computed(
  () =>
  (told.value?.gives ?? [gives.value].flatMap((one) => one ?? [])).map((one) => ({ value: one, title: fieldTypes[one].label })), // prettier-ignore
)
const box = ref<HTMLElement>()
/** A name goes where the caret stands. */
function put(word: string): void {
  const area = box.value?.querySelector('textarea')
  const [from, to] = [area?.selectionStart ?? written.value.length, area?.selectionEnd ?? written.value.length]
  const before = written.value.slice(0, from)
  const gap = before && !/[\s(.!,]$/.test(before) ? ' ' : ''
  written.value = before + gap + word + written.value.slice(to)
  const at = from + gap.length + word.length
  void nextTick(() => {
    area?.focus()
    area?.setSelectionRange(at, at)
  })
}
const wordFor = (key: string): string => writtenFormula(`\`${key}\``, names.value)
const isNamed = (name: string, word: string): boolean => oneWord(name) === word
</script>

<template>
  <div ref="box" class="formula">
    <VTextarea
      v-model="written"
      :label="workedFormWords.formula"
      rows="2"
      max-rows="8"
      auto-grow
      :maxlength="longestFormula"
      spellcheck="false"
      :hint="fault || problem ? '' : workedFormWords.hint"
      persistent-hint
      :error="!!fault || !!problem"
    />
    <p v-if="fault" class="fault" role="alert">
      <code aria-hidden="true"
        >{{ fault.before }}<mark>{{ fault.at }}</mark
        >{{ fault.after }}</code
      >
      {{ fault.words }}
    </p>
    <p v-else-if="problem" class="fault" role="alert">{{ problem }}</p>
    <div v-if="told?.formula && giveChoices.length" class="shown">
      <VSelect
        v-model="gives"
        @update:model-value="isChosen = true"
        :items="giveChoices"
        :label="workedFormWords.gives"
        :disabled="!isNew"
      />
      <VTextField v-if="isNumber" v-model="unit" :label="fieldWords.unit" maxlength="12" />
      <VNumberInput
        v-if="isNumber && isNew"
        :model-value="decimalsNow"
        :label="fieldWords.decimals"
        :min="0"
        :max="6"
        @update:model-value="decimals = $event ?? 0"
      />
      <VSelect
        v-if="gives === 'money' && isNew"
        v-model="currency"
        :items="[...currencies]"
        :label="fieldWords.currency"
      />
    </div>
    <TriedResults v-if="told?.formula && !problem" :results="told.results" />
    <details>
      <summary class="soft">{{ workedFormWords.names }}</summary>
      <div class="words">
        <button
          v-for="{ key, name } in names"
          :key="key"
          type="button"
          class="opt plain"
          :aria-label="workedFormWords.name(name)"
          @click="put(wordFor(key))"
        >
          {{ wordFor(key) }}<small v-if="!isNamed(name, wordFor(key))"> {{ name }}</small>
        </button>
        <button
          v-for="word in ['today', 'children', 'inside', 'parent']"
          :key="word"
          type="button"
          class="opt plain"
          :aria-label="workedFormWords.name(word)"
          @click="put(word)"
        >
          {{ word }}
        </button>
      </div>
    </details>
    <details>
      <summary class="soft">{{ workedFormWords.functions }}</summary>
      <dl>
        <template v-for="{ typed, does } in functionList" :key="typed">
          <dt>
            <code>{{ typed }}</code>
          </dt>
          <dd class="soft">{{ does }}</dd>
        </template>
      </dl>
    </details>
  </div>
</template>

<style scoped>
.formula {
  display: grid;
  gap: 10px;
}
.formula :deep(textarea),
code {
  font-family: var(--mono, ui-monospace, monospace);
  font-size: 13px;
}
.fault {
  margin: 0;
  color: var(--rust);
}
.fault code {
  display: block;
  color: var(--ink);
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}
.fault mark {
  color: inherit;
  background: none;
  border-bottom: 2px solid var(--rust);
  white-space: pre-wrap;
}
.shown {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(120px, 1fr));
  gap: 10px 12px;
}
summary {
  cursor: pointer;
}
.words {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 6px;
  padding-top: 8px;
}
.words .opt {
  display: inline-flex;
  gap: 4px;
  align-items: center;
  justify-content: center;
  min-height: max(26px, var(--target));
  min-width: var(--target);
  background: var(--sunk);
  color: var(--ink);
}
dl {
  display: grid;
  grid-template-columns: max-content minmax(0, 1fr);
  gap: 2px 14px;
  margin: 8px 0 0;
}
dd {
  margin: 0;
}
</style>
