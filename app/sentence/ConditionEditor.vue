<script setup lang="ts">
import { computed } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { VNumberInput } from 'vuetify/components/VNumberInput'
import type { Condition, ProjectId } from '#core/model/records'
import { factKey } from '#core/facts/registry'
import { useDirectory } from '../data/directory'
import { phraseWords } from './phrase-words'
import { statusChoices } from '../parts/choices'
import ChoiceList from '../parts/ChoiceList.vue'
import FactEditor from './FactEditor.vue'
import NestedEditor from './NestedEditor.vue'
import { toggled } from '../parts/toggled'

/** One condition, of whatever kind; those within it are edited in the same way. The slot: what can be done with it whole. */
const props = defineProps<{ project: ProjectId; condition: Condition; others: readonly Condition[] }>()
const emit = defineEmits<{ change: [condition: Condition]; leave: [] }>()
const directory = useDirectory()

/** A fact, also where *not* stands before it. */
const fact = computed(() => {
  const { condition } = props
  if (condition.about === 'fact') return { one: condition, isNot: false }
  const [only] = condition.about === 'none' ? condition.of : []
  return condition.about === 'none' && condition.of.length === 1 && only?.about === 'fact'
    ? { one: only, isNot: true }
    : undefined
})
const changeFact = (one: Condition, isNot: boolean) => emit('change', isNot ? { about: 'none', of: [one] } : one)
const was = computed(() => (props.condition.about === 'was' ? props.condition : undefined))
function changeDays(daysAgo: number | null): void {
  if (was.value && daysAgo) emit('change', { ...was.value, daysAgo })
}
function toggleStatus(id: string): void {
  const statuses = was.value && toggled(was.value.statuses, id)
  if (was.value && statuses?.length) emit('change', { ...was.value, statuses: statuses as never })
}
</script>

<template>
  <div>
    <FactEditor
      v-if="fact"
      :key="factKey(fact.one.fact)"
      :project="project"
      :condition="fact.one"
      :is-not="fact.isNot"
      :others="others"
      @change="changeFact"
      @leave="emit('leave')"
    />
    <template v-else-if="was">
      <label class="days">
        <VNumberInput :min="1" :max="3660" :model-value="was.daysAgo" @update:model-value="changeDays" />
        {{ phraseWords.daysAgo(was.daysAgo) }}
      </label>
      <ChoiceList
        :choices="statusChoices(directory, project)"
        :chosen="was.statuses"
        :label="phraseWords.statusWas"
        several
        @choose="toggleStatus"
        @leave="emit('leave')"
      />
    </template>
    <NestedEditor
      v-else
      :project="project"
      :condition="condition"
      :others="others"
      @change="emit('change', $event)"
      @leave="emit('leave')"
    >
      <template #default="inner">
        <ConditionEditor
          :project="project"
          :condition="inner.condition"
          :others="inner.others"
          @change="inner.change"
          @leave="inner.leave"
        />
      </template>
    </NestedEditor>
    <footer v-if="fact || was || $slots.default">
      <VBtn v-if="fact || was" variant="plain" @click="emit('change', { about: 'any', of: [condition] })">{{
        phraseWords.orElse
      }}</VBtn>
      <slot />
    </footer>
  </div>
</template>

<style scoped>
.days {
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 12px 14px 0;
}
.days .v-number-input {
  flex: 0 0 110px;
}
footer {
  border-top: 1px solid var(--rule);
  padding: 4px 8px;
  display: flex;
  gap: 8px;
}
</style>
