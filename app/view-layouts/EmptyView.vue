<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import type { Condition, View, ViewDefinition } from '#core/model/records'
import { conditionWords } from '#core/language/conditions'
import type { Leaves } from '#core/language/why'
import { useDirectory } from '../data/directory'
import { useAsk } from '../data/use-ask'
import { useThrough } from '../data/through'
import { useViews } from '../data/views'
import { whyWords } from '../item/why-words'
import { phraseWords } from '../sentence/phrase-words'
import { frameWords } from '../shell/words'
import { viewWords } from './words'
import { useWording } from '../data/wording'

/** A view with nothing in it: what belongs here or, where phrases leave everything out, how many items each leaves. */
const props = defineProps<{ view: View; definition: ViewDefinition }>()
const ask = useAsk()
const views = useViews()
const wording = useWording(() => props.view.project)
const leaves = shallowRef<Leaves>()
watch(
  () => JSON.stringify(props.definition.where),
  async (where) => {
    leaves.value = await ask('leaves', { project: props.view.project, where: JSON.parse(where) as Condition[] })
  },
  { immediate: true },
)
const emit = defineEmits<{ add: [] }>()
const directory = useDirectory()
const through = useThrough()
const project = computed(() => directory.reader.maybe('project', props.view.project))
const mayAdd = computed(() => through.mayAdd(props.view.project))
const maySet = computed(() => directory.may('set up project', props.view.project))
/** Where limits are set, unless it is here. */
const limitsAt = computed(() => {
  const board = directory.views(props.view.project).find((view) => view.definition.layout === 'board')
  return maySet.value && props.definition.layout !== 'board' && board
    ? `/app/${project.value?.prefix}/${board.id}`
    : undefined
})
const takeOut = (at: number) =>
  views.change(props.view, { ...props.definition, where: props.definition.where.filter((_, i) => i !== at) })
</script>

<template>
  <div class="empty">
    <template v-if="definition.where.length">
      <h2>{{ viewWords.noneMatch }}</h2>
      <p class="soft">{{ viewWords.noneMatchHint }}</p>
      <template v-if="leaves?.all">
        <p>{{ whyWords.of(leaves.all) }}</p>
        <ol>
          <li v-for="(one, i) in definition.where" :key="i">
            <span class="phrase">{{ wording ? conditionWords(one, wording) : '' }}</span>
            <b :class="{ rust: !leaves.phrases[i]?.alone }">{{ whyWords.alone(leaves.phrases[i]?.alone ?? 0) }}</b><span
              v-if="i"
              class="soft"
              >{{ whyWords.after(leaves.phrases[i]?.after ?? 0) }}</span
            >
            <VBtn variant="plain" @click="takeOut(i)">{{ phraseWords.takeOut }}</VBtn>
          </li>
        </ol>
      </template>
    </template>
    <template v-else>
      <h2>{{ viewWords.empty }}</h2>
      <p class="soft">{{ mayAdd ? viewWords.firstSteps : viewWords.emptyForReader }}</p>
      <ul v-if="mayAdd">
        <li>
          <VBtn variant="flat" @click="emit('add')">{{ viewWords.add }}</VBtn>
          <span class="soft">{{ viewWords.addStep }}</span>
        </li>
        <li>
          <VBtn variant="outlined" :to="`/app/${project?.prefix}/bring-in`">{{ frameWords.bringIn }}</VBtn>
          <span class="soft">{{ viewWords.bringInStep }}</span>
        </li>
        <li v-if="limitsAt">
          <VBtn variant="outlined" :to="limitsAt">{{ viewWords.setLimits }}</VBtn>
          <span class="soft">{{ viewWords.limitsStep }}</span>
        </li>
        <li v-else-if="maySet" class="soft">{{ viewWords.limitsHere }}</li>
      </ul>
    </template>
  </div>
</template>

<style scoped>
.empty {
  position: absolute;
  top: 40px;
  padding: 48px 24px;
  max-width: 52em;
}
h2 {
  font: var(--type-title);
}
p {
  margin: 4px 0 14px;
}
ol,
ul {
  list-style: none;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 7px;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: baseline;
}
.phrase {
  font: var(--type-phrase);
}
</style>
