<script setup lang="ts">
import { computed, ref } from 'vue'
import { v7 } from 'uuid'
import { VBtn } from 'vuetify/components/VBtn'
import { VTextField } from 'vuetify/components/VTextField'
import { rankBetween } from '#core/base/ranks'
import { longestName } from '#core/base/text'
import { compareRanked } from '#core/base/ranked'
import { optionColours } from '#core/fields/names'
import { paletteColours } from '#core/model/names'
import type { BareCommand } from '#core/commands/registry'
import type { GroupHead } from '#core/layouts/rows'
import type { OptionId, OptionOfField, Project, Status, ViewDefinition } from '#core/model/records'
import { useChanges } from '../../data/changes'
import { useDirectory } from '../../data/directory'
import ActMenu, { type Act } from '../../parts/ActMenu.vue'
import ColourChoice from '../../parts/ColourChoice.vue'
import PopMenu from '../../parts/PopMenu.vue'
import { vTakesFocus } from '../../parts/takes-focus'
import { editorWords } from '../../parts/words'
import NewStatus from '../../set-up/NewStatus.vue'
import { tableWords } from '../words'
import { namedGroup, ordering } from './group-moves'

/** What is done with a group from its head: folded with the others, named, coloured, ordered, and another made after it. */
const props = defineProps<{
  head: GroupHead
  project: Project
  definition: ViewDefinition
  at: HTMLElement
  point?: [number, number] | undefined
  mayAdd: boolean
  /** What is folded alike. */
  foldTo: (level: number | undefined) => void
}>()
const emit = defineEmits<{ close: []; add: [] }>()
const changes = useChanges()
const directory = useDirectory()

const level = computed(() => props.head.path.length - 1)
const key = computed(() => props.definition.group[level.value])
const named = computed(() => namedGroup(directory.reader, key.value, props.head))
const maySet = computed(() => !!named.value && directory.may('set up project', props.project.id))
type Named = Pick<Status | OptionOfField, 'id' | 'rank'>
/** Those it stands among, in their order. */
const fellows = computed((): readonly Named[] => {
  const { value } = named
  if (value?.entity === 'status') return directory.statuses(props.project.id)
  const field = directory.reader.maybe('option', value?.id ?? '')?.field
  return field ? directory.reader.optionsOf(field).filter(({ archived }) => !archived).sort(compareRanked) : [] // prettier-ignore
})
const place = computed(() => fellows.value.findIndex(({ id }) => id === named.value?.id))
const isOrdered = computed(() => !key.value?.down && !key.value?.byTotal)
const asked = ref<'name' | 'another' | 'status'>()

const folds = computed((): Act[] => [
  { label: tableWords.foldAll, do: () => props.foldTo(0) },
  ...props.definition.group.slice(1).map((_, i) => ({ label: tableWords.foldFrom(i + 1), do: () => props.foldTo(i + 1) })), // prettier-ignore
  { label: tableWords.unfoldAll, do: () => props.foldTo(undefined) },
])
const acts = computed((): Act[] => [
  ...(props.mayAdd ? [{ label: tableWords.addInGroup, keys: 'Ins', do: () => emit('add') }] : []),
  ...folds.value,
  ...(maySet.value
    ? [
        { label: tableWords.nameGroup, do: () => begin('name') },
        { label: tableWords.anotherGroup, do: () => begin(named.value?.entity === 'status' ? 'status' : 'another') },
        ...(isOrdered.value
          ? [
              { label: tableWords.groupUp, isOff: place.value <= 0, do: () => step(-1) },
              { label: tableWords.groupDown, isOff: place.value >= fellows.value.length - 1, do: () => step(1) },
            ]
          : []),
      ]
    : []),
])
function step(by: -1 | 1): void {
  const others = fellows.value.filter(({ id }) => id !== named.value?.id)
  if (named.value) void changes.send(ordering(named.value, others[place.value + by]?.id ?? null))
}

const name = ref('')
const colour = ref<string>('')
const colours = computed(() => (named.value?.entity === 'status' ? paletteColours : optionColours))
function begin(what: 'name' | 'another' | 'status'): void {
  name.value = what === 'name' ? (named.value?.name ?? '') : ''
  colour.value = what === 'name' ? (named.value?.colour ?? '') : (colours.value[fellows.value.length % colours.value.length] ?? '') // prettier-ignore
  asked.value = what
}
async function save(): Promise<void> {
  const { value } = named
  const said = name.value.trim()
  if (!value || !said) return
  const bare = asked.value === 'another' ? another(said) : renamed(said)
  if (!bare || (await changes.send(bare))) emit('close')
}
function renamed(said: string): BareCommand | undefined {
  const { entity, id, name: from, colour: was } = named.value!
  const label = entity === 'status' ? 'name' : 'label'
  const set = {
    ...(said !== from && { [label]: { from, to: said } }),
    ...(colour.value !== was && { colour: { from: was, to: colour.value } }),
  }
  return Object.keys(set).length ? ({ type: `${entity}.set`, target: id, set } as BareCommand) : undefined
}
function another(label: string): BareCommand | undefined {
  const field = directory.reader.maybe('option', named.value!.id)?.field
  const rank = rankBetween(fellows.value[place.value]?.rank, fellows.value[place.value + 1]?.rank)
  const record = { id: v7() as OptionId, field, label, colour: colour.value, rank, archived: false } as OptionOfField
  return field && { type: 'option.add', record }
}
/** A status comes after another in a workflow that has it. */
const after = computed(() => {
  const status = directory.reader.maybe('status', named.value?.id ?? '')
  const step = [...directory.reader.all('step')].find((one) => one.status === status?.id)
  return status && step ? { id: status.id, status, step, name: status.name } : undefined
})
/** What was chosen may ask for something. */
const isOpen = ref(true)
function closed(): void {
  isOpen.value = false
  setTimeout(() => asked.value ?? emit('close'))
}
</script>

<template>
  <ActMenu v-if="isOpen" :acts="acts" :label="tableWords.groupActs" :at="at" :point="point" @close="closed" />
  <NewStatus
    v-if="asked === 'status' && after"
    :model-value="true"
    :after="after"
    @update:model-value="emit('close')"
  />
  <PopMenu v-else-if="asked" :at="at" @close="emit('close')">
    <form class="asked group-form" @submit.prevent="save">
      <h2>{{ asked === 'name' ? tableWords.nameGroup : tableWords.anotherGroup }}</h2>
      <VTextField v-model="name" v-takes-focus :label="tableWords.groupName" :maxlength="longestName" />
      <ColourChoice
        :colours="colours as readonly string[]"
        :chosen="colour"
        :label="tableWords.groupColour"
        @choose="colour = $event"
      />
      <div class="ends">
        <VBtn type="submit" variant="flat" :disabled="!name.trim()">{{
          asked === 'name' ? tableWords.saveGroup : editorWords.add
        }}</VBtn>
        <VBtn variant="plain" @click="emit('close')">{{ editorWords.cancel }}</VBtn>
      </div>
    </form>
  </PopMenu>
</template>

<style scoped>
.group-form {
  width: min(340px, 92vw);
}
</style>
