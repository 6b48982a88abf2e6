<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import type { Condition, View, ViewDefinition } from '#core/model/records'
import { conditionWords } from '#core/language/conditions'
import type { Leaves } from '#core/language/why'
import { useDirectory } from '../data/directory'
import { useAsk } from '../data/use-ask'
import { useViews } from '../data/views'
import { words } from '../words'
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
const project = computed(() => directory.reader.maybe('project', props.view.project))
const mayAdd = computed(() => directory.may('change items', props.view.project))
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
      <h2>{{ words.view.noneMatch }}</h2>
      <p class="soft">{{ words.view.noneMatchHint }}</p>
      <template v-if="leaves?.all">
        <p>{{ words.why.of(leaves.all) }}</p>
        <ol>
          <li v-for="(one, i) in definition.where" :key="i">
            <span class="phrase">{{ wording ? conditionWords(one, wording) : '' }}</span>
            <b :class="{ rust: !leaves.phrases[i]?.alone }">{{
              words.why.alone(leaves.phrases[i]?.alone ?? 0)
            }}</b><span v-if="i" class="soft">{{ words.why.after(leaves.phrases[i]?.after ?? 0) }}</span>
            <VBtn variant="plain" @click="takeOut(i)">{{ words.phrase.takeOut }}</VBtn>
          </li>
        </ol>
      </template>
    </template>
    <template v-else>
      <h2>{{ words.view.empty }}</h2>
      <p class="soft">{{ mayAdd ? words.view.firstSteps : words.view.emptyForReader }}</p>
      <ul v-if="mayAdd">
        <li>
          <VBtn variant="flat" @click="emit('add')">{{ words.view.add }}</VBtn>
          <span class="soft">{{ words.view.addStep }}</span>
        </li>
        <li>
          <VBtn variant="outlined" :to="`/app/${project?.prefix}/bring-in`">{{ words.frame.bringIn }}</VBtn>
          <span class="soft">{{ words.view.bringInStep }}</span>
        </li>
        <li v-if="limitsAt">
          <VBtn variant="outlined" :to="limitsAt">{{ words.view.setLimits }}</VBtn>
          <span class="soft">{{ words.view.limitsStep }}</span>
        </li>
        <li v-else-if="maySet" class="soft">{{ words.view.limitsHere }}</li>
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
