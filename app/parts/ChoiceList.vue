<script setup lang="ts">
import { computed, ref } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { VIcon } from 'vuetify/components/VIcon'
import { isSameText } from '#core/base/collation'
import { editorWords } from './words'
import FindList from './FindList.vue'
import { HealthMark, LeafMark, PersonPebble } from './marks'

export interface Choice {
  readonly id: string
  readonly label: string
  readonly leaf?: { readonly share: number; readonly colour: string }
  readonly person?: { readonly id: string; readonly name: string; readonly colour: string }
  readonly tint?: string
  /** How something fares: drawn by colour and shape. */
  readonly health?: string
  readonly count?: number
  /** What choosing it would ask for. */
  readonly hint?: string | undefined
  /** Cannot be chosen; `hint` says why. */
  readonly isOff?: boolean | undefined
}

/** A list to choose from, by typing, arrows and Enter, or by the mouse. With `several`, choices are ticked and unticked. */
const props = defineProps<{
  choices: readonly Choice[]
  chosen: readonly string[]
  label: string
  several?: boolean
  clearable?: boolean
  /** What is typed and is none of them can be added: in these words. */
  adds?: ((typed: string) => string) | undefined
  /** What has been typed before it stood. */
  typed?: string | undefined
}>()
const emit = defineEmits<{ choose: [id: string]; clear: []; leave: []; add: [typed: string] }>()

const typed = ref(props.typed ?? '')
const found = computed(() => {
  const parts = typed.value.toLowerCase().split(/\s+/).filter(Boolean)
  const named = props.choices.filter((choice) => parts.every((part) => choice.label.toLowerCase().includes(part)))
  const name = typed.value.trim()
  const isNew = !!props.adds && !!name && !named.some(({ label }) => isSameText(label, name))
  return isNew ? [...named, { id: added, label: props.adds!(name) }] : named
})
const added = '+'
function take({ id, isOff }: Choice): void {
  if (isOff) return
  if (id === added) emit('add', typed.value.trim())
  else emit('choose', id)
  if (id === added) typed.value = ''
}
const most = computed(() => Math.max(1, ...props.choices.map((choice) => choice.count ?? 0)))
const isChosen = (choice: Choice) => props.chosen.includes(choice.id)
</script>

<template>
  <div class="choices">
    <FindList
      v-model="typed"
      :lines="found"
      :key-of="(choice) => choice.id"
      :label="label"
      :placeholder="editorWords.filter"
      :first="typed ? 0 : choices.findIndex(isChosen)"
      :is-chosen="isChosen"
      :several="several"
      :none="editorWords.none"
      @take="take"
      @leave="emit('leave')"
    >
      <template #default="{ line: choice }">
        <VIcon
          v-if="several"
          size="18"
          :class="{ on: isChosen(choice) }"
          :icon="isChosen(choice) ? '$checkboxOn' : '$checkboxOff'"
        />
        <LeafMark v-if="choice.leaf" :share="choice.leaf.share" :colour="choice.leaf.colour" />
        <PersonPebble v-if="choice.person" :person="choice.person" aria-hidden="true" />
        <HealthMark v-if="choice.health" :health="choice.health" />
        <span
          v-if="choice.tint"
          class="opt"
          :style="{ '--t': `var(--${choice.tint}-tint)`, '--x': `var(--${choice.tint}-text)` }"
          >{{ choice.label }}</span
        >
        <span v-else class="one-line" :class="{ off: choice.isOff }">{{ choice.label }}</span>
        <span v-if="choice.hint" class="hint one-line" :title="choice.hint">{{ choice.hint }}</span>
        <VIcon v-if="!several && isChosen(choice)" class="tick" size="16" icon="$complete" />
        <template v-if="choice.count !== undefined">
          <span class="count">{{ choice.count }}</span>
          <span class="track" aria-hidden="true"><i :style="{ width: `${(choice.count / most) * 100}%` }" /></span>
        </template>
      </template>
    </FindList>
    <VBtn v-if="clearable && chosen.length" variant="plain" @click="emit('clear')">{{ editorWords.clear }}</VBtn>
    <slot />
  </div>
</template>

<style scoped>
.choices {
  min-width: 220px;
  max-width: 392px;
  padding: 8px;
}
.tick {
  margin-left: auto;
  color: var(--leaf);
}
.off {
  color: var(--soft);
}
.hint {
  margin-left: auto;
  max-width: 200px;
  padding-left: 12px;
  color: var(--soft);
  font-size: var(--size-small);
}
.count {
  margin-left: auto;
  color: var(--soft);
}
.track {
  width: 80px;
  height: 5px;
  background: var(--sunk);
  border-radius: var(--round);
  flex: none;
}
.track i {
  display: block;
  height: 5px;
  background: var(--lichen);
  border-radius: var(--round);
}
</style>
