<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { VTextField } from 'vuetify/components/VTextField'
import type { OfMany } from '#core/queries/refusals'
import type { SettingForAll } from '#core/items/set-all'
import { fieldTypes, isInItem } from '#core/fields/registry'
import { idsOf, type Value } from '#core/fields/value'
import type { Field, ItemId, Project } from '#core/model/records'
import { useDirectory } from '../../data/directory'
import { useThrough } from '../../data/through'
import { FieldInput } from '../../parts/field-input-later'
import { headOf } from '../../parts/called'
import { kindChoices, statusChoices } from '../../parts/choices'
import ItemFinder from '../../parts/ItemFinder.vue'
import SelectOne from '../../parts/SelectOne.vue'
import { editorWords } from '../../parts/words'
import { tableWords } from '../words'
import { selectionWords } from './words'

/** What changes of several items, and into what. */
const props = defineProps<{ project: Project; items: readonly ItemId[]; send(bare: OfMany): Promise<boolean> }>()
const emit = defineEmits<{ leave: [] }>()
const directory = useDirectory()
const through = useThrough()

/** The fields that all of several can be given the same of. */
const fields = computed(() =>
  directory.fields(props.project.id).filter((field) => {
    const type = fieldTypes[field.type]
    return isInItem(field) && !type.isApart && !type.isOwn && through.mayChange(props.project.id, field.id)
  }),
)
const whats = computed(() => [
  ...[
    { value: 'status', title: headOf(directory, props.project.id, 'status') },
    { value: 'kind', title: tableWords.kind },
    { value: 'parent', title: selectionWords.inside },
  ].filter(({ value }) => through.mayChange(props.project.id, value)),
  ...fields.value.map(({ id, name }) => ({ value: id as string, title: name })),
])
const what = ref<string>(whats.value[0]?.value ?? 'status')
const field = computed((): Field | undefined => fields.value.find(({ id }) => id === what.value))
type How = 'set' | 'add' | 'remove' | 'empty' | 'later'
const hows = computed((): readonly How[] => {
  if (!field.value) return ['set']
  if (fieldTypes[field.value.type].several)
    return field.value.settings.single ? ['set', 'empty'] : ['add', 'remove', 'set', 'empty']
  return field.value.type === 'date' ? ['set', 'later', 'empty'] : ['set', 'empty']
})
const how = ref<How>('set')
const value = ref<Value>(null)
const days = ref('1')
watch(what, () => {
  how.value = hows.value[0] ?? 'set'
  value.value = null
})
watch(how, () => (value.value = null))

/** What all get; undefined while nothing is said that they could get. */
const set = computed((): SettingForAll | undefined => setFor[how.value]())
const setFor: Readonly<Record<How, () => SettingForAll | undefined>> = {
  set: () => (value.value === null ? undefined : { to: value.value }),
  empty: () => ({ to: null }),
  add: () => (idsOf(value.value).length ? { add: [...idsOf(value.value)], remove: [] } : undefined),
  remove: () => (idsOf(value.value).length ? { add: [], remove: [...idsOf(value.value)] } : undefined),
  later() {
    const n = Number(days.value)
    return Number.isInteger(n) && n && Math.abs(n) <= 1000 ? { shift: { of: 'workingDay', n } } : undefined
  },
}
async function go(): Promise<void> {
  if (!set.value) return
  emit('leave')
  await props.send({ type: 'items.set-all', items: [...props.items], set: { [what.value]: set.value } })
}
async function nest(parent: string | null): Promise<void> {
  emit('leave')
  await props.send({ type: 'items.nest', items: [...props.items], parent: parent as ItemId | null })
}
</script>

<template>
  <form
    class="asked many"
    :aria-label="selectionWords.title(items.length)"
    @submit.prevent="go"
    @keydown.esc.stop="emit('leave')"
  >
    <h2>{{ selectionWords.title(items.length) }}</h2>
    <div class="line">
      <SelectOne :label="selectionWords.what" :choices="whats" :chosen="what" @choose="what = $event" />
      <SelectOne
        v-if="hows.length > 1"
        :label="selectionWords.how"
        :choices="hows.map((one) => ({ value: one, title: selectionWords[one] }))"
        :chosen="how"
        @choose="how = $event as How"
      />
    </div>
    <template v-if="what === 'parent'">
      <ItemFinder
        :label="selectionWords.inside"
        :project="project.id"
        :without="items"
        @choose="nest($event.id)"
        @leave="emit('leave')"
      />
      <VBtn variant="plain" @click="nest(null)">{{ selectionWords.atTop }}</VBtn>
    </template>
    <template v-else>
      <SelectOne
        v-if="!field"
        :label="selectionWords.set"
        :placeholder="selectionWords.set"
        :choices="
          (what === 'status' ? statusChoices(directory, project.id) : kindChoices(directory, project.id)).map(
            (one) => ({ value: one.id, title: one.label }),
          )
        "
        :chosen="typeof value === 'string' ? value : undefined"
        @choose="value = $event"
      />
      <VTextField
        v-else-if="how === 'later'"
        v-model="days"
        :label="selectionWords.days"
        :hint="selectionWords.daysHint"
        persistent-hint
        inputmode="numeric"
      />
      <FieldInput v-else-if="how !== 'empty'" :key="`${what} ${how}`" v-model="value" :field="field" />
      <div class="ends">
        <VBtn type="submit" variant="flat" :disabled="!set">{{ selectionWords.go(items.length) }}</VBtn>
        <VBtn variant="plain" @click="emit('leave')">{{ editorWords.cancel }}</VBtn>
      </div>
    </template>
  </form>
</template>

<style scoped>
.many {
  width: min(380px, 92vw);
}
.line {
  display: flex;
  gap: 12px;
}
.line > * {
  flex: 1;
}
</style>
