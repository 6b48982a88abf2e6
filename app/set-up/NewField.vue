<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { v7 } from 'uuid'
import { VBtn } from 'vuetify/components/VBtn'
import { VCheckbox } from 'vuetify/components/VCheckbox'
import { VListItem } from 'vuetify/components/VList'
import { VSelect } from 'vuetify/components/VSelect'
import { VTextarea } from 'vuetify/components/VTextarea'
import { VTextField } from 'vuetify/components/VTextField'
import { longestHelp, longestName } from '#core/base/text'
import { isSameText } from '#core/base/collation'
import { fieldTypeNames, optionColours, type FieldTypeName } from '#core/fields/names'
import { fieldTypes, isInItem } from '#core/fields/registry'
import type { FieldSettings as Settings } from '#core/fields/settings'
import type { Fallback, Field, FieldId, ProjectId } from '#core/model/records'
import { mostFields } from '#core/projects/set-up/most-fields'
import PopDialog from '../parts/PopDialog.vue'
import { vTakesFocus } from '../parts/takes-focus'
import { editorWords } from '../parts/words'
import { useDirectory } from '../data/directory'
import { useQuery } from '../data/use-query'
import { useSetUpChange } from './changes'
import FieldRules from './FieldRules.vue'
import FieldSettings from './FieldSettings.vue'
import WorkedSettings from './WorkedSettings.vue'
import { fieldWords, ruleWords, typeWords } from './field-words'
import { newField, readOptions } from './new-field'

/** Makes a field where one stands: its name, what it holds, and how it works. */
const isOpen = defineModel<boolean>({ required: true })
const props = defineProps<{ project: ProjectId; after?: FieldId | undefined }>()
const emit = defineEmits<{ added: [field: FieldId] }>()
const directory = useDirectory()
const setUp = useSetUpChange()
const name = ref('')
const help = ref('')
const type = ref<FieldTypeName>('shortText')
const settings = ref<Settings>({})
const isFit = ref(true)
const lines = ref('')
const required = ref(false)
const fallback = ref<Fallback | null>(null)
const chosen = ref('')
/** Of a relation: what it is at its other end. */
const far = ref({ name: '', single: false })
watch(type, () => {
  settings.value = {}
  fallback.value = null
  isFit.value = true
})
const { answer: standing } = useQuery('standing', () => ({ project: props.project }))
const items = computed(() => Object.values(standing.value?.statuses ?? {}).reduce((sum, n) => sum + n, 0))
const fields = computed(() => directory.fields(props.project))
const isTaken = computed(() => fields.value.some((field) => isSameText(field.name, name.value)))
const isLinked = computed(() => !!fieldTypes[type.value].isLinked)
const isFarTaken = computed(() => isLinked.value && [name.value, ...fields.value.map((field) => field.name)].some((one) => !!far.value.name.trim() && isSameText(one, far.value.name))) // prettier-ignore
const isFull = computed(() => fields.value.length >= mostFields)
const takesOptions = computed(() => fieldTypes[type.value].choices === 'options')
const isWorked = computed(() => !!fieldTypes[type.value].isWorkedOut)
const options = computed(() => readOptions(lines.value))
const mayAdd = computed(
  () =>
    !!name.value.trim() && !isTaken.value && !isFarTaken.value && !isFull.value && isFit.value && !options.value.twice,
)
const draft = computed((): Field => ({ id: '' as FieldId, project: props.project, name: name.value, help: '', type: type.value, settings: settings.value, rank: '', archived: false })) // prettier-ignore
async function add(): Promise<void> {
  if (!mayAdd.value) return
  const made = newField(
    directory.reader,
    { project: props.project, name: name.value, help: help.value, type: type.value, settings: settings.value, options: options.value.labels, after: props.after, required: required.value, fallback: fallback.value, chosen: chosen.value, far: far.value },
    v7,
  ) // prettier-ignore
  if (!(await setUp.send(made)) || made.type !== 'field.make') return
  isOpen.value = false
  emit('added', made.field.id)
}
</script>

<template>
  <PopDialog v-model="isOpen" :label="fieldWords.title">
    <form class="asked" @submit.prevent="add">
      <h2>{{ fieldWords.title }}</h2>
      <VTextField
        v-model="name"
        :label="fieldWords.newName"
        :maxlength="longestName"
        v-takes-focus
        :error-messages="isTaken ? fieldWords.taken(name.trim()) : isFull ? fieldWords.full(mostFields) : ''"
      />
      <VSelect
        v-model="type"
        :items="fieldTypeNames.map((one) => ({ value: one, title: fieldTypes[one].label }))"
        :label="fieldWords.type"
        :hint="typeWords[type]"
        persistent-hint
      >
        <template #item="{ props: line, internalItem: item }">
          <VListItem v-bind="line" :subtitle="typeWords[item.value as FieldTypeName]" />
        </template>
      </VSelect>
      <template v-if="takesOptions">
        <VTextarea
          v-model="lines"
          :label="fieldWords.options"
          rows="4"
          max-rows="10"
          auto-grow
          :hint="fieldWords.optionsHint"
          persistent-hint
          :error-messages="options.twice ? fieldWords.twice(options.twice) : ''"
        />
        <p v-if="options.labels.length" class="read">
          <span
            v-for="(label, i) in options.labels.slice(0, 12)"
            :key="`${i} ${label}`"
            class="opt"
            :style="{
              '--t': `var(--${optionColours[i % optionColours.length]}-tint)`,
              '--x': `var(--${optionColours[i % optionColours.length]}-text)`,
            }"
            >{{ label }}</span><span class="soft">{{ fieldWords.optionsRead(options.labels.length) }}</span>
        </p>
        <VSelect
          v-if="options.labels.length"
          v-model="chosen"
          :items="[
            { value: '', title: ruleWords.none },
            ...options.labels.map((label) => ({ value: label, title: label })),
          ]"
          :label="ruleWords.fallback"
        />
      </template>
      <WorkedSettings v-if="isWorked" :key="type" v-model="settings" v-model:fit="isFit" :field="draft" is-new />
      <FieldSettings v-else :key="`of ${type}`" v-model="settings" v-model:fit="isFit" :type="type" is-new />
      <template v-if="isLinked">
        <VTextField
          v-model="far.name"
          :label="fieldWords.far"
          :maxlength="longestName"
          :hint="fieldWords.farHint"
          persistent-hint
          :error-messages="isFarTaken ? fieldWords.taken(far.name.trim()) : ''"
        />
        <VCheckbox v-if="far.name.trim()" v-model="far.single" :label="fieldWords.farSingle" />
      </template>
      <FieldRules
        v-if="!takesOptions && isInItem({ type })"
        :key="`rules ${type}`"
        v-model:required="required"
        v-model:fallback="fallback"
        :field="draft"
      />
      <VTextField v-model="help" :label="fieldWords.help" :maxlength="longestHelp" :hint="fieldWords.helpHint" />
      <p v-if="standing && !isWorked" class="soft">{{ fieldWords.gets(items) }}</p>
      <div class="ends">
        <VBtn type="submit" variant="flat" :disabled="!mayAdd">{{ fieldWords.add }}</VBtn>
        <VBtn variant="plain" @click="isOpen = false">{{ editorWords.cancel }}</VBtn>
      </div>
    </form>
  </PopDialog>
</template>

<style scoped>
.read {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 6px;
  align-items: center;
}
</style>
