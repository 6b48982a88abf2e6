<script setup lang="ts">
import { computed, ref } from 'vue'
import { v7 } from 'uuid'
import { VBtn } from 'vuetify/components/VBtn'
import { VSelect } from 'vuetify/components/VSelect'
import { VTextField } from 'vuetify/components/VTextField'
import { longestName } from '#core/base/text'
import { isSameText } from '#core/base/collation'
import { phases } from '#core/model/names'
import { boardsOf, columnsOf } from '#core/model/reader'
import type { Phase } from '#core/model/records'
import PopDialog from '../parts/PopDialog.vue'
import { editorWords } from '../parts/words'
import { useDirectory } from '../data/directory'
import { newStatus, sharedStatus, statusesBeside, type StatusRow, type Whereabouts } from './statuses'
import { useSetUpChange } from './changes'
import { statusWords } from './words'
import { vTakesFocus } from '../parts/takes-focus'

/** Adds a status after another: name, phase, and where on the board it is. */
const isOpen = defineModel<boolean>({ required: true })
const props = defineProps<{ after: StatusRow }>()
const emit = defineEmits<{ added: [name: string] }>()
const directory = useDirectory()
const setUp = useSetUpChange()
const name = ref('')
const phase = ref<Phase>(props.after.status.phase)
const board = computed(() => boardsOf(directory.reader, props.after.status.project)[0]?.id)
const where = ref<Whereabouts>('own')
const places = computed(() => [
  { value: 'own', title: statusWords.ownColumn },
  ...columnsOf(directory.reader, board.value ?? '').map(({ id, name }) => ({ value: id as string, title: name })),
  { value: 'none', title: statusWords.noColumn },
])
const isTaken = computed(() =>
  directory.statuses(props.after.status.project).some((other) => isSameText(other.name, name.value)),
)
/** Those that other kinds have and this workflow has not. */
const beside = computed(() => statusesBeside(directory.reader, props.after.step.workflow, props.after.status.project))
const one = ref('')
const isNew = computed(() => !one.value)
async function add(): Promise<void> {
  const shared = beside.value.find(({ id }) => id === one.value)
  const named = shared?.name ?? name.value.trim()
  if (!named || (!shared && isTaken.value)) return
  const made = shared
    ? sharedStatus(directory.reader, props.after, shared.id)
    : newStatus(
        directory.reader,
        { after: props.after, name: named, phase: phase.value, board: board.value, where: where.value },
        v7,
      )
  if (!(await setUp.send(made))) return
  isOpen.value = false
  emit('added', named)
}
</script>

<template>
  <PopDialog v-model="isOpen" :label="statusWords.add">
    <form class="asked" @submit.prevent="add">
      <h2>{{ statusWords.add }}</h2>
      <VSelect
        v-if="beside.length"
        v-model="one"
        :items="[
          { value: '', title: statusWords.newOne },
          ...beside.map(({ id, name }) => ({ value: id as string, title: name })),
        ]"
        :label="statusWords.which"
      />
      <VTextField
        v-if="isNew"
        v-model="name"
        :label="statusWords.newName"
        :maxlength="longestName"
        v-takes-focus
        :hint="statusWords.after(after.name)"
        persistent-hint
        :error-messages="isTaken ? statusWords.taken(name.trim()) : ''"
      />
      <VSelect
        v-if="isNew"
        v-model="phase"
        :items="phases.map((one) => ({ value: one, title: one }))"
        :label="statusWords.phase"
        :hint="statusWords.phases[phase]"
        persistent-hint
      />
      <VSelect v-if="board && isNew" v-model="where" :items="places" :label="statusWords.column" />
      <div class="ends">
        <VBtn type="submit" variant="flat" :disabled="isNew && (!name.trim() || isTaken)">{{ statusWords.add }}</VBtn>
        <VBtn variant="plain" @click="isOpen = false">{{ editorWords.cancel }}</VBtn>
      </div>
    </form>
  </PopDialog>
</template>
