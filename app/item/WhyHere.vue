<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import type { View, ViewDefinition } from '#core/model/records'
import { conditionWords } from '#core/language/conditions'
import type { Reason, Why } from '#core/language/why'
import { nameOfGroup } from '../parts/group-names'
import { useAsk } from '../data/use-ask'
import { useViews } from '../data/views'
import { whyWords } from './why-words'
import { phraseWords } from '../sentence/phrase-words'
import { useWording } from '../data/wording'

/** Why an item is in the view that one looks at, or which phrases leave it out, each with what the item has there. */
const props = defineProps<{ itemKey: string; changed: string; view: View; definition: ViewDefinition }>()
const ask = useAsk()
const views = useViews()
const wording = useWording(() => props.view.project)
const why = shallowRef<Why>()
const isOpen = ref(false)
watch(
  () => JSON.stringify([props.itemKey, props.changed, props.definition]),
  async () => {
    const { itemKey, view, definition } = props
    const answer = await ask('why', { project: view.project, view: definition, key: itemKey })
    if (itemKey === props.itemKey) why.value = answer
  },
  { immediate: true },
)
// What one does not see in the view is said without being asked.
watch(why, (now, before) => {
  if (now && before?.isIn !== now.isIn) isOpen.value = !now.isIn
})
const failing = computed(() => why.value?.reasons.filter((one) => !one.holds).length ?? 0)
/** There is something to say besides. */
const hasMore = computed(() => !!why.value && why.value.reasons.length + groups.value.length > 0)
const title = computed(() => {
  if (!why.value) return ''
  if (why.value.isArchived) return whyWords.archived
  if (!why.value.isIn) return whyWords.leftOut(failing.value)
  return hasMore.value ? whyWords.isIn : whyWords.isInAll
})
const phraseOf = ({ at }: Reason): string => {
  const condition = props.definition.where[at]
  return condition && wording.value ? conditionWords(condition, wording.value) : whyWords.hidden
}
const groups = computed(() =>
  (why.value?.groups ?? []).map((path) =>
    path
      .map((value, level) => {
        const key = props.definition.group[level]
        return key && wording.value ? nameOfGroup(key, value, wording.value) : ''
      })
      .join(' › '),
  ),
)
const takeOut = (at: number) =>
  views.change(props.view, { ...props.definition, where: props.definition.where.filter((_, i) => i !== at) })
</script>

<template>
  <section v-if="why" class="why note" :class="{ out: !why.isIn }">
    <p v-if="!hasMore" class="title">{{ title }}</p>
    <button v-else type="button" class="title" :aria-expanded="isOpen" @click="isOpen = !isOpen">
      {{ title }} <span class="link">{{ isOpen ? '' : why.isIn ? whyWords.askIn : whyWords.ask }}</span>
    </button>
    <ul v-if="isOpen && hasMore" :aria-label="why.isIn ? whyWords.askIn : whyWords.ask">
      <li v-for="one in why.reasons" :key="one.at" :class="{ no: !one.holds }">
        <span class="sign" :title="one.holds ? whyWords.holds : whyWords.leaves">{{ one.holds ? '✓' : '×' }}</span>
        <span
          ><span class="phrase">{{ phraseOf(one) }}</span>
          <span v-for="has in one.has" :key="has.fact" class="soft has">{{ has.fact }}: {{ has.value }}</span>
          <VBtn v-if="!one.holds && one.at >= 0" variant="plain" @click="takeOut(one.at)">{{
            phraseWords.takeOut
          }}</VBtn></span
        >
      </li>
      <li v-for="path in groups" :key="path" class="soft">{{ whyWords.inGroups }} {{ path }}</li>
    </ul>
  </section>
</template>

<style scoped>
.why {
  margin: 10px 0 12px;
  padding-block: 4px;
  font-size: var(--size-data);
}
.title {
  text-align: left;
  width: 100%;
  min-height: var(--target);
}
.out .title {
  color: var(--rust);
  font-weight: 600;
}
ul {
  list-style: none;
  padding: 0;
  margin: 6px 0 2px;
  display: grid;
  gap: 6px;
}
li {
  display: flex;
  gap: 8px;
}
.sign {
  color: var(--leaf);
  width: 12px;
  flex: none;
}
.no .sign {
  color: var(--rust);
  font-weight: 700;
}
.phrase {
  font: var(--type-phrase);
}
.has {
  display: block;
}
</style>
