<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import type { Field, Project } from '#core/model/records'
import ActMenu, { type Act } from '../parts/ActMenu.vue'
import { frameWords } from '../shell/words'
import { useFieldActs } from './field-acts'
import FieldForm from './FieldForm.vue'
import NameEditor from './NameEditor.vue'
import NewField from './NewField.vue'
import RetypeField from './RetypeField.vue'
import { fieldWords } from './field-words'
import { setUpWords } from './words'

/** What can be done with a field where it stands; `acts` is what is done with it there alone. */
const props = defineProps<{
  field: Field
  project: Project
  acts: readonly Act[]
  mayEdit: boolean
  at: HTMLElement
  point?: [number, number] | undefined
}>()
const emit = defineEmits<{ close: []; added: [field: Field['id']] }>()
const router = useRouter()
const fieldActs = useFieldActs(() => props.project)
const step = ref<'menu' | 'name' | 'form' | 'type' | 'new'>('menu')
const others = computed(() => fieldActs.fields().filter(({ id }) => id !== props.field.id))
const isOpen = ref(true)
const list = computed((): Act[] => [
  ...props.acts.map((act) => ({ ...act, do: () => end(act.do) })),
  ...(props.mayEdit
    ? [
        { label: fieldWords.rename, do: () => (step.value = 'name') },
        { label: fieldWords.settings, do: () => (step.value = 'form') },
        { label: fieldWords.retype, do: () => (step.value = 'type') },
        { label: fieldWords.addAfter, do: () => (step.value = 'new') },
        { label: fieldWords.remove, do: () => end(() => fieldActs.askRemoval(props.field)) },
        {
          label: setUpWords.title(props.project.name),
          do: () => end(() => void router.push(`/app/${props.project.prefix}/set-up/fields`)),
        },
      ]
    : []),
])
/** The menu has closed itself; what it began goes on, or ends. */
const closed = () => setTimeout(() => step.value === 'menu' && emit('close'))
function end(act: () => void): void {
  emit('close')
  act()
}
</script>

<template>
  <ActMenu
    v-if="step === 'menu'"
    :acts="list"
    :label="frameWords.acts(field.name)"
    :at="at"
    :point="point"
    @close="closed"
  />
  <NameEditor
    v-else-if="step === 'name'"
    :name="field.name"
    :label="fieldWords.name"
    :taken="others.map((other) => other.name)"
    :at="at"
    @take="end(() => fieldActs.set(field, 'name', $event))"
    @leave="emit('close')"
  />
  <FieldForm
    v-else-if="step === 'form'"
    v-model="isOpen"
    :field="field"
    :project="project"
    :at="at"
    @update:model-value="emit('close')"
  />
  <RetypeField
    v-else-if="step === 'type'"
    v-model="isOpen"
    :field="field"
    :at="at"
    @update:model-value="emit('close')"
  />
  <NewField
    v-else
    v-model="isOpen"
    :project="project.id"
    :after="field.id"
    :at="at"
    @added="emit('added', $event)"
    @update:model-value="emit('close')"
  />
</template>
