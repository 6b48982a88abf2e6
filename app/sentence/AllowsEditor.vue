<script setup lang="ts">
import { computed } from 'vue'
import { VAutocomplete } from 'vuetify/components/VAutocomplete'
import { VCheckbox } from 'vuetify/components/VCheckbox'
import { VSelect } from 'vuetify/components/VSelect'
import { factKey, maybeFact, refOfKey } from '#core/facts/registry'
import { isWorkedOut } from '#core/fields/registry'
import { changedByHand, isHolding } from '#core/saved-views/through'
import type { Allows, Project } from '#core/model/records'
import { useDirectory } from '../data/directory'
import { keepWords } from './view-words'

/** What may be done to items in a view; null: whatever one may do in the project. */
const props = defineProps<{ project: Project }>()
const allows = defineModel<Allows | null>({ required: true })
const directory = useDirectory()
const everything: Allows = { add: true, remove: true, change: null }
const now = computed(() => allows.value ?? everything)
function put(part: Partial<Allows>): void {
  const next = { ...now.value, ...part }
  allows.value = isHolding({ allows: next }) ? next : null
}
const facts = computed(() =>
  [...changedByHand, ...directory.fields(props.project.id).filter((field) => !isWorkedOut(field)).map(({ id }) => id)].flatMap((key) => {
    const fact = maybeFact(directory.reader, props.project.id, refOfKey(key))
    return fact ? { value: key as string, title: fact.name } : []
  }),
) // prettier-ignore
type How = 'all' | 'some' | 'none'
const hows = [
  { value: 'all', title: keepWords.allFacts },
  { value: 'some', title: keepWords.someFacts },
  { value: 'none', title: keepWords.noFacts },
]
const how = computed((): How => (!now.value.change ? 'all' : now.value.change.length ? 'some' : 'none'))
/** One begins with what is changed most: where items stand. */
const begin: Readonly<Record<How, Allows['change']>> = { all: null, some: [{ fact: 'status' }], none: [] }
const keys = computed(() => (now.value.change ?? []).map(factKey))
</script>

<template>
  <fieldset class="allows">
    <legend class="soft">{{ keepWords.allows }}</legend>
    <VCheckbox
      :model-value="now.add"
      :label="keepWords.mayAdd"
      hide-details
      @update:model-value="put({ add: !!$event })"
    />
    <VCheckbox
      :model-value="now.remove"
      :label="keepWords.mayRemove"
      hide-details
      @update:model-value="put({ remove: !!$event })"
    />
    <VSelect
      :model-value="how"
      :items="hows"
      :label="keepWords.mayChange"
      @update:model-value="put({ change: begin[$event as How] })"
    />
    <VAutocomplete
      v-if="how === 'some'"
      :model-value="keys"
      :items="facts"
      :label="keepWords.facts"
      multiple
      chips
      closable-chips
      @update:model-value="put({ change: ($event as string[]).map(refOfKey) })"
    />
  </fieldset>
</template>

<style scoped>
.allows {
  border: 0;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 4px;
}
</style>
