<script setup lang="ts">
import { computed, ref } from 'vue'
import TickBox from './TickBox.vue'
import { words } from '../words'
import FindList from './FindList.vue'
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

const typed = ref('')
const found = computed(() => {
  const parts = typed.value.toLowerCase().split(/\s+/).filter(Boolean)
  return props.choices.filter((one) => parts.every((part) => one.label.toLowerCase().includes(part)))
})
const most = computed(() => Math.max(1, ...props.choices.map((one) => one.count ?? 0)))
const isChosen = (one: Choice) => props.chosen.includes(one.id)
</script>

<template>
  <div class="choices">
    <FindList
      v-model="typed"
      :lines="found"
      :key-of="(one) => one.id"
      :label="label"
      :placeholder="words.phrase.filter"
      :first="choices.findIndex(isChosen)"
      :is-chosen="isChosen"
      :several="several"
      :none="words.editor.none"
      @take="emit('choose', $event.id)"
      @leave="emit('leave')"
    >
      <template #default="{ line: one }">
        <TickBox v-if="several" :ticked="isChosen(one)" />
        <LeafMark v-if="one.leaf" :share="one.leaf.share" :colour="one.leaf.colour" />
        <PersonPebble v-if="one.person" :person="one.person" aria-hidden="true" />
        <span
          v-if="one.tint"
          class="opt"
          :style="{ '--t': `var(--${one.tint}-tint)`, '--x': `var(--${one.tint}-text)` }"
          >{{ one.label }}</span
        >
        <span v-else class="label">{{ one.label }}</span>
        <span v-if="!several && isChosen(one)" class="tick" aria-hidden="true">✓</span>
        <template v-if="one.count !== undefined">
          <span class="count">{{ one.count }}</span>
          <span class="track" aria-hidden="true"><i :style="{ width: `${(one.count / most) * 100}%` }" /></span>
        </template>
      </template>
    </FindList>
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
.label {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
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
</style>
