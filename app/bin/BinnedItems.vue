<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { VCheckboxBtn } from 'vuetify/components/VCheckbox'
import { VTextField } from 'vuetify/components/VTextField'
import type { BinnedItem } from '#core/queries/bin'
import type { ItemId, Project } from '#core/model/records'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { useQuery } from '../data/use-query'
import { momentWords } from '../dates'
import { KindMark } from '../parts/marks'
import EraseItems from './EraseItems.vue'
import { binWords } from './words'

/** The archived items of a project, the latest first: some or all of them come back, or go for good. */
const props = defineProps<{ project: Project }>()
const emit = defineEmits<{ open: [key: string] }>()
const directory = useDirectory()
const changes = useChanges()
const words = ref('')
const most = ref(100)
const { answer } = useQuery('bin', () => ({ project: props.project.id, words: words.value.trim(), most: most.value }))
const chosen = ref<ReadonlySet<ItemId>>(new Set())
const mayChange = computed(() => directory.may('change items', props.project.id))
const mayErase = computed(() => directory.may('set up project', props.project.id))
const erased = shallowRef<{ readonly items?: readonly ItemId[] }>()
const kind = (item: BinnedItem) => directory.reader.maybe('kind', item.kind)
const moment = (item: BinnedItem) =>
  binWords.when(
    directory.reader.names.person(item.by) ?? '',
    momentWords(item.archived, directory.language, directory.today, directory.reader.workspace().timeZone),
  )
function choose(id: ItemId, isChosen: boolean): void {
  const next = new Set(chosen.value)
  if (isChosen) next.add(id)
  else next.delete(id)
  chosen.value = next
}
async function restore(items: ItemId[]): Promise<void> {
  if (await changes.send({ type: 'items.archive', items, archived: false, inside: true })) chosen.value = new Set()
}
</script>

<template>
  <section v-if="answer?.held" :aria-label="binWords.items">
    <h2>{{ binWords.count(answer.held) }}</h2>
    <div class="tools">
      <VTextField v-model="words" :placeholder="binWords.find" :aria-label="binWords.find" type="search" />
      <template v-if="chosen.size">
        <b>{{ binWords.chosen(chosen.size) }}</b>
        <VBtn variant="outlined" @click="restore([...chosen])">{{ binWords.restore }}</VBtn>
        <VBtn v-if="mayErase" variant="outlined" @click="erased = { items: [...chosen] }">{{ binWords.delete }}</VBtn>
        <VBtn variant="plain" @click="chosen = new Set()">{{ binWords.chooseNone }}</VBtn>
      </template>
      <VBtn v-else-if="mayErase" class="right" variant="plain" @click="erased = {}">{{ binWords.empty }}</VBtn>
    </div>
    <p v-if="!answer.items.length" class="soft">{{ binWords.noneFound(words) }}</p>
    <ul>
      <li v-for="item in answer.items" :key="item.id" class="binned">
        <span class="what">
          <VCheckboxBtn
            v-if="mayChange"
            class="tick-box"
            :model-value="chosen.has(item.id)"
            :aria-label="binWords.choose(item.title)"
            @update:model-value="choose(item.id, !!$event)"
          />
          <KindMark v-if="kind(item)" :name="kind(item)!.name" :icon="kind(item)!.icon" />
          <span class="num">{{ item.key }}</span>
          <button type="button" class="link one-line" @click="emit('open', item.key)">{{ item.title }}</button>
          <span class="soft one-line more">{{
            [item.inside ? binWords.inside(item.inside) : '', item.parent ? binWords.from(item.parent) : '']
              .filter(Boolean)
              .join(', ')
          }}</span>
        </span>
        <span class="soft one-line">{{ moment(item) }}</span>
        <span class="acts">
          <VBtn v-if="mayChange" variant="plain" @click="restore([item.id])">{{ binWords.restore }}</VBtn>
          <VBtn v-if="mayErase" variant="plain" @click="erased = { items: [item.id] }">{{ binWords.delete }}</VBtn>
        </span>
      </li>
    </ul>
    <VBtn v-if="answer.fitting > answer.items.length" variant="plain" @click="most += 400">{{
      binWords.more(Math.min(400, answer.fitting - answer.items.length))
    }}</VBtn>
    <EraseItems v-model="erased" :project="project.id" @done="chosen = new Set()" />
  </section>
  <div v-else-if="answer && !directory.binnedViews(project.id).length" class="none">
    <h2>{{ binWords.none }}</h2>
    <p class="soft">{{ binWords.noneAbout }}</p>
  </div>
</template>

<style src="./bin.css" scoped></style>
<style scoped>
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  min-height: 44px;
  padding: 8px 0;
}
.tools .v-text-field {
  max-width: 260px;
}
.more {
  flex: 1;
}
.what .link {
  min-height: var(--target);
  text-align: left;
}
.none {
  padding: 40px 0;
}
.none h2 {
  font: var(--type-title);
}
</style>
