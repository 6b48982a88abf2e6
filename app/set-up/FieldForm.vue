<script setup lang="ts">
import { computed, ref } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { VTextField } from 'vuetify/components/VTextField'
import { longestHelp, longestName } from '#core/base/text'
import { isSameText } from '#core/base/collation'
import { isSameValue } from '#core/base/sorted-ids'
import { fieldTypes, isInItem, isWorkedOut } from '#core/fields/registry'
import type { FieldSettings as Settings } from '#core/fields/settings'
import { isEmptyValue } from '#core/fields/value'
import type { Fallback, Field, Project } from '#core/model/records'
import PopDialog from '../parts/PopDialog.vue'
import { vTakesFocus } from '../parts/takes-focus'
import { editorWords } from '../parts/words'
import { useSetUpChange } from './changes'
import { useFieldActs } from './field-acts'
import FieldOptions from './FieldOptions.vue'
import FieldRules from './FieldRules.vue'
import FieldSettings from './FieldSettings.vue'
import WorkedSettings from './WorkedSettings.vue'
import { fieldWords, typeWords } from './field-words'

/** How a field works: its name, what it is for, and what its type lets one say. */
const isOpen = defineModel<boolean>({ required: true })
const props = defineProps<{ field: Field; project: Project }>()
const setUp = useSetUpChange()
const acts = useFieldActs(() => props.project)
const name = ref(props.field.name)
const help = ref(props.field.help)
const settings = ref<Settings>({ ...props.field.settings })
const isFit = ref(true)
const required = ref(!!props.field.required)
const fallback = ref<Fallback | null>(props.field.fallback ?? null)
/** A value that nobody has said is none. */
const fallbackNow = computed(() => (fallback.value?.is === 'value' && isEmptyValue(fallback.value.value) ? null : fallback.value)) // prettier-ignore
const isTaken = computed(() =>
  acts.fields().some((other) => other.id !== props.field.id && isSameText(other.name, name.value)),
)
const maySave = computed(() => !!name.value.trim() && !isTaken.value && isFit.value)
async function save(): Promise<void> {
  if (!maySave.value) return
  const { field } = props
  const to = { name: name.value.trim(), help: help.value.trim(), settings: settings.value, required: required.value || null, fallback: fallbackNow.value } // prettier-ignore
  const set = Object.fromEntries(
    (['name', 'help', 'settings', 'required', 'fallback'] as const).flatMap((one) =>
      isSameValue(field[one] ?? null, to[one]) ? [] : [[one, { from: field[one] ?? null, to: to[one] }]],
    ),
  )
  if (!Object.keys(set).length || (await setUp.send({ type: 'field.set', target: field.id, set }))) isOpen.value = false
}
</script>

<template>
  <PopDialog v-model="isOpen" :label="fieldWords.settingsTitle(field.name)">
    <form class="asked" @submit.prevent="save">
      <h2>{{ fieldWords.settingsTitle(field.name) }}</h2>
      <VTextField
        v-model="name"
        :label="fieldWords.name"
        :maxlength="longestName"
        v-takes-focus
        :error-messages="isTaken ? fieldWords.taken(name.trim()) : ''"
      />
      <VTextField v-model="help" :label="fieldWords.help" :maxlength="longestHelp" :hint="fieldWords.helpHint" />
      <p>
        <b>{{ fieldTypes[field.type].label }}</b> <span class="soft">{{ typeWords[field.type] }}</span>
      </p>
      <FieldOptions v-if="fieldTypes[field.type].choices === 'options'" :field="field" may-edit />
      <WorkedSettings v-if="isWorkedOut(field)" v-model="settings" v-model:fit="isFit" :field="field" :is-new="false" />
      <FieldSettings v-else v-model="settings" v-model:fit="isFit" :type="field.type" :is-new="false" />
      <FieldRules
        v-if="isInItem(field)"
        v-model:required="required"
        v-model:fallback="fallback"
        :field="{ ...field, settings }"
      />
      <div class="ends">
        <VBtn type="submit" variant="flat" :disabled="!maySave">{{ fieldWords.save }}</VBtn>
        <VBtn variant="plain" @click="isOpen = false">{{ editorWords.cancel }}</VBtn>
      </div>
    </form>
  </PopDialog>
</template>
