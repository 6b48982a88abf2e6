<script setup lang="ts">
import { computed } from 'vue'
import { printDecimal } from '#core/base/decimals'
import type { Field, Item } from '#core/model/records'
import { useDirectory } from '../stores/directory'
import { dayWords } from './dates'
import DueText from './DueText.vue'
import PersonPebbles from './PersonPebbles.vue'

/** A field's value as it is shown in a cell, on a card and in the panel. */
const props = defineProps<{ field: Field; item: Item; late: number; named?: boolean }>()
const directory = useDirectory()
const value = computed(() => props.item.values[props.field.id] ?? null)
const list = computed(() => (Array.isArray(value.value) ? (value.value as readonly string[]) : []))
const isDue = computed(() => directory.reader.maybe('project', props.item.project)?.uses.due === props.field.id)
const options = computed(() => {
  const held = props.field.type === 'severalOptions' ? list.value : [value.value]
  return (props.field.settings.options ?? []).filter((option) => held.includes(option.id))
})
const text = computed(() => {
  if (typeof value.value === 'number')
    return `${printDecimal(value.value, props.field.settings.decimals ?? 0)} ${props.field.settings.unit ?? ''}`.trim()
  if (props.field.type === 'date') return typeof value.value === 'string' ? dayWords(value.value, directory.today) : ''
  if (props.field.type === 'checkbox') return value.value ? '✓' : ''
  if (props.field.type === 'longText') return value.value ? '¶' : ''
  return typeof value.value === 'string' ? value.value : ''
})
const names = computed(() => list.value.map((id) => directory.reader.names.person(id) ?? '').join(', '))
</script>

<template>
  <span v-if="field.type === 'people'" class="people"
    ><PersonPebbles :people="list" /><span v-if="named">{{ names }}</span></span
  >
  <span v-else-if="field.type === 'oneOption' || field.type === 'severalOptions'" class="opts">
    <span
      v-for="option in options"
      :key="option.id"
      class="opt"
      :style="{ '--t': `var(--${option.colour}-tint)`, '--x': `var(--${option.colour}-text)` }"
      >{{ option.label }}</span
    >
  </span>
  <DueText
    v-else-if="isDue"
    :due="typeof value === 'string' ? value : undefined"
    :late="late"
    :today="directory.today"
  />
  <span v-else>{{ text }}</span>
</template>

<style scoped>
.people,
.opts {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  vertical-align: middle;
  max-width: 100%;
}
.opts {
  overflow: hidden;
  gap: 4px;
}
</style>
