<script setup lang="ts">
import { computed, nextTick, onMounted, ref, useId, watch } from 'vue'
import { words } from '../words'
import { LeafMark, PersonPebble } from './marks'

export interface Choice {
  readonly id: string
  readonly label: string
  readonly leaf?: { readonly share: number; readonly colour: string }
  readonly person?: { readonly id: string; readonly name: string; readonly colour: string }
  readonly tint?: string
  readonly count?: number
}

/** A list to choose from, by typing, arrows and Enter, or by the mouse. With `several`, choices are ticked and unticked. */
const props = defineProps<{
  choices: readonly Choice[]
  chosen: readonly string[]
  label: string
  several?: boolean
  clearable?: boolean
}>()
const emit = defineEmits<{ choose: [id: string]; clear: []; leave: [] }>()

const id = useId()
const typed = ref('')
const at = ref(0)
const input = ref<HTMLInputElement>()
const found = computed(() => {
  const parts = typed.value.toLowerCase().split(/\s+/).filter(Boolean)
  return props.choices.filter((one) => parts.every((part) => one.label.toLowerCase().includes(part)))
})
const most = computed(() => Math.max(1, ...props.choices.map((one) => one.count ?? 0)))
watch(typed, () => (at.value = 0))
onMounted(() => {
  at.value = Math.max(
    0,
    props.choices.findIndex((one) => props.chosen.includes(one.id)),
  )
  void nextTick(() => input.value?.focus())
})

function onKey(event: KeyboardEvent): void {
  const last = found.value.length - 1
  if (event.key === 'ArrowDown') at.value = Math.min(last, at.value + 1)
  else if (event.key === 'ArrowUp') at.value = Math.max(0, at.value - 1)
  else if (event.key === 'Home' && !typed.value) at.value = 0
  else if (event.key === 'End' && !typed.value) at.value = last
  else if (event.key === 'Enter') choose(found.value[at.value])
  else if (event.key === 'Escape' || event.key === 'Tab') emit('leave')
  else return
  if (event.key !== 'Tab') event.preventDefault()
  event.stopPropagation()
  void nextTick(() => document.getElementById(`${id}-${at.value}`)?.scrollIntoView({ block: 'nearest' }))
}
function choose(one: Choice | undefined): void {
  if (one) emit('choose', one.id)
}
</script>

<template>
  <div class="choices">
    <input
      ref="input"
      v-model="typed"
      role="combobox"
      aria-expanded="true"
      aria-autocomplete="list"
      :aria-label="label"
      :aria-controls="`${id}-list`"
      :aria-activedescendant="found.length ? `${id}-${at}` : undefined"
      :placeholder="words.phrase.filter"
      autocomplete="off"
      @keydown="onKey"
    />
    <ul :id="`${id}-list`" role="listbox" :aria-label="label" :aria-multiselectable="several || undefined">
      <li
        v-for="(one, i) in found"
        :id="`${id}-${i}`"
        :key="one.id"
        role="option"
        :aria-selected="chosen.includes(one.id)"
        :class="{ at: i === at }"
        @mousedown.prevent
        @mousemove="at = i"
        @click="choose(one)"
      >
        <span v-if="several" class="box" :class="{ yes: chosen.includes(one.id) }" aria-hidden="true">{{
          chosen.includes(one.id) ? '✓' : ''
        }}</span>
        <LeafMark v-if="one.leaf" :share="one.leaf.share" :colour="one.leaf.colour" />
        <PersonPebble v-if="one.person" :person="one.person" aria-hidden="true" />
        <span
          v-if="one.tint"
          class="opt"
          :style="{ '--t': `var(--${one.tint}-tint)`, '--x': `var(--${one.tint}-text)` }"
          >{{ one.label }}</span
        >
        <span v-else class="label">{{ one.label }}</span>
        <span v-if="!several && chosen.includes(one.id)" class="tick" aria-hidden="true">✓</span>
        <template v-if="one.count !== undefined">
          <span class="count">{{ one.count }}</span>
          <span class="track" aria-hidden="true"><i :style="{ width: `${(one.count / most) * 100}%` }" /></span>
        </template>
      </li>
      <li v-if="!found.length" class="soft none" role="option" aria-selected="false" aria-disabled="true">
        {{ words.editor.none }}
      </li>
    </ul>
    <button v-if="clearable && chosen.length" type="button" class="link clear" @click="emit('clear')">
      {{ words.editor.clear }}
    </button>
  </div>
</template>

<style scoped>
.choices {
  min-width: 220px;
  max-width: 392px;
  padding: 8px;
}
input {
  width: 100%;
  border: 0;
  border-bottom: 1.5px solid var(--leaf);
  background: transparent;
  padding: 3px 6px 5px;
  font-size: 14px;
  outline: none;
}
input::placeholder {
  color: var(--soft);
}
ul {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
  max-height: 284px;
  overflow: auto;
}
li {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 4px 6px;
  border-radius: 3px;
  cursor: pointer;
  min-height: 28px;
}
li.at {
  background: var(--leaf-tint);
}
.label {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.box {
  width: 14px;
  height: 14px;
  border: 1.5px solid var(--edge);
  border-radius: 3px;
  display: grid;
  place-items: center;
  font-size: 11px;
  line-height: 1;
  color: var(--paper);
  flex: none;
}
.box.yes {
  background: var(--lichen);
  border-color: var(--lichen);
}
.tick {
  margin-left: auto;
  color: var(--leaf);
}
.count {
  margin-left: auto;
  color: var(--soft);
}
.track {
  width: 80px;
  height: 5px;
  background: var(--sunk);
  border-radius: 3px;
  flex: none;
}
.track i {
  display: block;
  height: 5px;
  background: var(--lichen);
  border-radius: 3px;
}
.clear {
  padding: 6px 6px 2px;
}
.none {
  cursor: default;
}
</style>
