<script setup lang="ts">
import { computed, ref } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { VNumberInput } from 'vuetify/components/VNumberInput'
import { VSelect } from 'vuetify/components/VSelect'
import { mostAmount } from '#core/model/names'
import type { LimitSet } from '#core/model/reader'
import type { BoardColumn, FieldId } from '#core/model/records'
import PopMenu from '../../parts/PopMenu.vue'
import { useDirectory } from '../../data/directory'
import { columnWords } from '../words'
import { vTakesFocus } from '../../parts/takes-focus'

/** How much a column should hold, in items or by a number field, and what happens when it is full. */
const props = defineProps<{ column: BoardColumn; limit: LimitSet | null; at: HTMLElement | undefined }>()
const emit = defineEmits<{ set: [to: LimitSet | null]; leave: [] }>()
const directory = useDirectory()
const items = ''
const of = ref<string>(props.limit?.of ?? items)
const project = computed(() => directory.reader.maybe('board', props.column.board)?.project)
const fields = computed(() => (project.value ? directory.fields(project.value).filter(({ type }) => type === 'number') : [])) // prettier-ignore
const field = computed(() => fields.value.find(({ id }) => id === of.value))
const decimals = computed(() => field.value?.settings.decimals ?? 0)
/** As it is typed: at the scale at which people say it. */
const typed = (amount: number | null | undefined) => (amount === null || amount === undefined ? null : amount / 10 ** decimals.value) // prettier-ignore
const most = ref(typed(props.limit?.most))
const least = ref(typed(props.limit?.least))
const stops = ref(props.limit?.stops ?? false)
const scaled = (amount: number | null) => (amount === null ? null : Math.round(amount * 10 ** decimals.value))
const isWrong = computed(() => most.value !== null && least.value !== null && least.value > most.value)
const largest = computed(() => mostAmount / 10 ** decimals.value)
function take(): void {
  if (isWrong.value) return
  const to = { most: scaled(most.value), least: scaled(least.value), of: (of.value || null) as FieldId | null, stops: stops.value } // prettier-ignore
  emit('set', to.most === null && to.least === null ? null : to)
}
</script>

<template>
  <PopMenu :at="at" @close="emit('leave')">
    <form class="limit" @submit.prevent="take">
      <VSelect
        v-if="fields.length"
        v-model="of"
        :label="columnWords.counts"
        :items="[
          { value: items, title: columnWords.countsItems },
          ...fields.map(({ id, name, settings }) => ({
            value: id as string,
            title: settings.unit ? `${name} (${settings.unit})` : name,
          })),
        ]"
      />
      <div class="two">
        <VNumberInput
          v-model="most"
          :label="columnWords.most"
          :min="0"
          :max="largest"
          :precision="null"
          v-takes-focus
        />
        <VNumberInput
          v-model="least"
          :label="columnWords.least"
          :min="0"
          :max="largest"
          :precision="null"
          :error="isWrong"
        />
      </div>
      <p v-if="isWrong" class="rust" role="alert">{{ columnWords.leastAbove }}</p>
      <VSelect
        v-model="stops"
        :label="columnWords.whenFull"
        :items="[
          { value: false, title: columnWords.warns },
          { value: true, title: columnWords.stopsAll },
        ]"
        :hint="stops ? columnWords.stopsHint : columnWords.warnsHint"
        persistent-hint
      />
      <div class="ends">
        <VBtn type="submit" variant="flat" :disabled="isWrong">{{ columnWords.set }}</VBtn>
        <VBtn variant="plain" @click="emit('set', null)">{{ columnWords.noLimit }}</VBtn>
      </div>
    </form>
  </PopMenu>
</template>

<style scoped>
.limit {
  padding: 14px;
  display: grid;
  gap: 10px;
  width: 296px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
</style>
