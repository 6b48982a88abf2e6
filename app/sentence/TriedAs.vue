<script setup lang="ts">
import { computed, ref } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { maySee } from '#core/access/access'
import { listed } from '#core/language/wording'
import { seesView } from '#core/saved-views/through'
import type { PersonId, View } from '#core/model/records'
import { useDirectory } from '../data/directory'
import { useThrough } from '../data/through'
import { PersonPebbles } from '../parts/marks'
import { namesAllowed } from './held-said'
import TryAs from './TryAs.vue'
import { heldWords } from './view-words'

/** As whom one is looking at a view, whether they see it and what they may do in it. */
const props = defineProps<{ view: View; person: PersonId }>()
const directory = useDirectory()
const through = useThrough()
const isChoosing = ref(false)
const project = computed(() => directory.reader.maybe('project', props.view.project))
const name = computed(() => directory.reader.names.person(props.person) ?? '')
const said = computed(() => {
  const { reader } = directory
  if (!maySee(reader, props.person, props.view.project)) return heldWords.noProject(name.value)
  const id = props.view.project
  const only = props.view.allows?.change
  const acts = [
    ...(through.mayAdd(id) ? [heldWords.add] : []),
    ...(through.mayChange(id)
      ? [only ? heldWords.changeOnly(listed(namesAllowed(reader, props.view, only), 'and')) : heldWords.change]
      : []),
    ...(through.mayRemove(id) ? [heldWords.remove] : []),
  ]
  const may = acts.length ? heldWords.may(listed(acts, 'and')) : heldWords.onlyLook
  return seesView(reader, props.person, props.view) ? may : `${heldWords.noView(name.value)} ${may}`
})
</script>

<template>
  <div class="tried" role="status">
    <span
      >{{ heldWords.looking }} <PersonPebbles :people="[person]" /> <b>{{ name }}</b>. {{ said }}
      <span class="soft">{{ heldWords.nothingSent }}</span></span
    >
    <VBtn variant="plain" aria-haspopup="dialog" @click="isChoosing = true">{{ heldWords.another }}</VBtn>
    <VBtn variant="outlined" @click="through.as = undefined">{{ heldWords.back }}</VBtn>
    <TryAs v-if="isChoosing && project" :project="project" :view="view" @leave="isChoosing = false" />
  </div>
</template>

<style scoped>
.tried {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
  margin: 10px -24px -11px;
  padding: 6px 24px;
  background: color-mix(in oklab, var(--wren) 14%, var(--paper));
  border-top: 1px solid var(--rule);
}
.tried > :first-child {
  flex: 1 1 300px;
}
</style>
