<script setup lang="ts" generic="T">
import { computed, nextTick, onMounted, ref, useId, watch } from 'vue'
import { useDisplay } from 'vuetify'
import { VList, VListItem } from 'vuetify/components/VList'
import { VTextField } from 'vuetify/components/VTextField'
import { VVirtualScroll } from 'vuetify/components/VVirtualScroll'
import { useSecondStep } from './second-step'

/** A line to type in, and what it finds under it: the arrows, Home and End move, Enter takes one, Escape leaves. */
const props = defineProps<{
  lines: readonly T[]
  keyOf: (line: T) => string
  label: string
  placeholder: string
  /** Where one begins. */
  first?: number
  /** Which are chosen already; without it the one that Enter takes counts as selected. */
  isChosen?: (line: T) => boolean
  several?: boolean
  /** Said where nothing is found. */
  none?: string
  /** Enter waits for the answer to what was typed last. */
  answered?: () => Promise<unknown>
  /** Tab goes on to what stands beside it instead of leaving. */
  staysOnTab?: boolean
  isCalm?: boolean
}>()
const emit = defineEmits<{ take: [line: T]; leave: [] }>()
const typed = defineModel<string>({ required: true })

const { mobile } = useDisplay()
const lineHeight = computed(() => (mobile.value ? 44 : 32))
const areLinesDue = useSecondStep()
const id = useId()
const at = ref(0)
const input = ref<InstanceType<typeof VTextField>>()
const scroll = ref<InstanceType<typeof VVirtualScroll>>()
watch(typed, () => (at.value = 0))
onMounted(() => {
  at.value = Math.max(0, props.first ?? 0)
  // The field around the input is given the same role, where it says nothing.
  ;(input.value?.$el as HTMLElement | undefined)?.querySelector('.v-field')?.removeAttribute('role')
  // What it floats in may not have found its place yet.
  if (!props.isCalm) void nextTick(() => input.value?.focus({ preventScroll: true }))
})

async function takeAnswered(): Promise<void> {
  if (props.answered) {
    await props.answered()
    await nextTick()
  }
  const line = props.lines[at.value]
  if (line !== undefined) emit('take', line)
}
function show(): void {
  const line = document.getElementById(`${id}-${at.value}`)
  if (line) line.scrollIntoView({ block: 'nearest' })
  else scroll.value?.scrollToIndex(at.value)
}
function onKey(event: KeyboardEvent): void {
  const last = Math.max(0, props.lines.length - 1)
  if (event.key === 'ArrowDown') at.value = Math.min(last, at.value + 1)
  else if (event.key === 'ArrowUp') at.value = Math.max(0, at.value - 1)
  else if (event.key === 'Home' && !typed.value) at.value = 0
  else if (event.key === 'End' && !typed.value) at.value = last
  else if (event.key === 'Enter') void takeAnswered()
  else if (event.key === 'Escape' || (event.key === 'Tab' && !props.staysOnTab)) emit('leave')
  else return
  if (event.key !== 'Tab') event.preventDefault()
  event.stopPropagation()
  void nextTick(show)
}
</script>

<template>
  <div>
    <VTextField
      ref="input"
      v-model="typed"
      class="typed"
      variant="underlined"
      role="combobox"
      aria-expanded="true"
      aria-autocomplete="list"
      :aria-label="label"
      :aria-controls="`${id}-list`"
      :aria-activedescendant="lines.length ? `${id}-${at}` : undefined"
      :placeholder="placeholder"
      autocomplete="off"
      maxlength="400"
      @keydown="onKey"
    />
    <slot name="said" />
    <VList
      class="lines"
      role="none"
      tabindex="-1"
      :style="{ minHeight: `min(50vh, 284px, ${lines.length * lineHeight}px)` }"
    >
      <VVirtualScroll
        v-if="areLinesDue"
        :id="`${id}-list`"
        ref="scroll"
        :items="lines"
        :item-height="lineHeight"
        role="listbox"
        :aria-label="label"
        :aria-multiselectable="several || undefined"
      >
        <template #default="{ item, index }">
          <VListItem
            :id="`${id}-${index}`"
            :key="keyOf(item)"
            role="option"
            :aria-selected="isChosen ? isChosen(item) : index === at"
            :aria-setsize="lines.length"
            :aria-posinset="index + 1"
            :active="index === at"
            @mousedown.prevent
            @mousemove="at = index"
            @click="emit('take', item)"
          >
            <slot :line="item" />
          </VListItem>
        </template>
      </VVirtualScroll>
      <p v-if="none && !lines.length" class="soft none" role="status">{{ none }}</p>
    </VList>
  </div>
</template>

<style scoped>
.lines {
  padding: 6px 0 0;
}
.lines :deep(.v-virtual-scroll) {
  max-height: min(50vh, 284px);
}
.none {
  padding: 6px 10px;
}
.lines :deep(.v-list-item__content) {
  display: flex;
  align-items: center;
  gap: 8px;
}
</style>
