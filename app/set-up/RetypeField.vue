<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { v7 } from 'uuid'
import { VBtn } from 'vuetify/components/VBtn'
import { VSelect } from 'vuetify/components/VSelect'
import { rankBetween } from '#core/base/ranks'
import { optionColours, type FieldTypeName } from '#core/fields/names'
import { fieldTypes } from '#core/fields/registry'
import type { FieldSettings as Settings } from '#core/fields/settings'
import type { Field, OptionId, OptionOfField } from '#core/model/records'
import type { RetypeOutcome, Retyping } from '#core/projects/set-up/retype'
import PopDialog from '../parts/PopDialog.vue'
import { editorWords } from '../parts/words'
import { useAsk } from '../data/use-ask'
import { useDirectory } from '../data/directory'
import { useSetUpChange } from './changes'
import FieldSettings from './FieldSettings.vue'
import { fieldWords, retypeWords, typeWords } from './field-words'
import { retypes } from './new-field'

/** Makes a field one of another type: how many values that keeps, and which it would lose, is said before. */
const isOpen = defineModel<boolean>({ required: true })
const props = defineProps<{ field: Field }>()
const directory = useDirectory()
const setUp = useSetUpChange()
const ask = useAsk()
const types = computed(() => retypes(props.field, directory.reader))
const type = ref<FieldTypeName>()
const settings = ref<Settings>({})
const isFit = ref(true)
const unit = ref('h')
const asksUnit = computed(
  () => props.field.type === 'number' && type.value === 'duration' && !props.field.settings.unit,
)
watch(type, () => (settings.value = {}))
const options = ref<readonly OptionOfField[]>([])
const retyping = computed(
  (): Retyping | undefined =>
    type.value && {
      target: props.field.id,
      from: { type: props.field.type, settings: props.field.settings },
      to: { type: type.value, settings: settings.value },
      unit: asksUnit.value ? unit.value : '',
      options: [...options.value],
    },
)
const outcome = shallowRef<RetypeOutcome>()
onMounted(() =>
  watch([type, settings, unit], async () => {
    options.value = []
    if (!retyping.value) return
    const told = await ask('retyped', { retyping: retyping.value })
    const rest = told?.words.length ? made(told.words) : []
    if (!rest.length) return void (outcome.value = told)
    options.value = rest
    outcome.value = await ask('retyped', { retyping: retyping.value })
  }),
)
function made(words: readonly string[]): OptionOfField[] {
  let rank = directory.reader.optionsOf(props.field.id).at(-1)?.rank
  return words.map((label, i) => {
    rank = rankBetween(rank, undefined)
    const colour = optionColours[i % optionColours.length]!
    return { id: v7() as OptionId, field: props.field.id, label, colour, rank, archived: false }
  })
}
const lost = computed(() => (outcome.value ? outcome.value.held - outcome.value.kept : 0))
async function take(): Promise<void> {
  if (retyping.value && (await setUp.send({ type: 'field.retype', ...retyping.value }))) isOpen.value = false
}
</script>

<template>
  <PopDialog v-model="isOpen" :label="retypeWords.title(field.name)">
    <form class="asked" @submit.prevent="take">
      <h2>{{ retypeWords.title(field.name) }}</h2>
      <p v-if="!types.length">{{ retypeWords.cannot(fieldTypes[field.type].label) }}</p>
      <template v-else>
        <VSelect
          v-model="type"
          :items="types.map((one) => ({ value: one, title: fieldTypes[one].label }))"
          :label="fieldWords.type"
          :hint="type ? typeWords[type] : retypeWords.now(fieldTypes[field.type].label)"
          persistent-hint
        />
        <FieldSettings v-if="type" :key="type" v-model="settings" v-model:fit="isFit" :type="type" is-new />
        <VSelect
          v-if="asksUnit"
          v-model="unit"
          :items="[
            { value: 'min', title: retypeWords.minutes },
            { value: 'h', title: retypeWords.hours },
            { value: 'd', title: retypeWords.days },
          ]"
          :label="retypeWords.unit"
        />
        <ul v-if="type && outcome" class="effects" aria-live="polite">
          <li>
            <b>{{ retypeWords.kept(outcome.kept, outcome.held) }}</b>
          </li>
          <li v-if="options.length">{{ retypeWords.options(options.length) }}</li>
          <li v-if="lost" class="rust">
            {{ retypeWords.lost(lost) }}
            <ul class="lost">
              <li v-for="one in outcome.lost" :key="one.key" class="one-line">
                <span class="soft">{{ one.key }}</span> {{ one.text }}
              </li>
              <li v-if="lost > outcome.lost.length" class="soft">{{ retypeWords.more(lost - outcome.lost.length) }}</li>
            </ul>
          </li>
        </ul>
      </template>
      <div class="ends">
        <VBtn v-if="types.length" type="submit" variant="flat" :disabled="!type || !isFit || !outcome">{{
          retypeWords.go
        }}</VBtn>
        <VBtn variant="plain" @click="isOpen = false">{{ editorWords.cancel }}</VBtn>
      </div>
    </form>
  </PopDialog>
</template>

<style scoped>
.effects,
.lost {
  margin: 0;
  padding-left: 18px;
}
.lost {
  list-style: none;
  padding: 4px 0 0;
  max-height: 180px;
  overflow: auto;
  color: var(--ink);
}
</style>
