<script setup lang="ts">
import { nextTick, onMounted, ref, shallowRef, watch } from 'vue'
import { mdiChevronDown, mdiChevronUp, mdiClose } from '@mdi/js'
import type { FoundLines } from '#core/queries/sheet-lines'
import type { LinesInput } from '#core/queries/view'
import { grouped } from '../../counted'
import { useAsk } from '../../data/use-ask'
import IconButton from '../../parts/IconButton.vue'
import { frameWords } from '../../shell/words'
import { tableWords } from '../words'

/** Finds words in what a table shows: Enter goes to the next line that has them, Shift Enter to the one before. */
const props = defineProps<{ input: LinesInput; from: number }>()
const emit = defineEmits<{ go: [line: number]; close: [] }>()
const ask = useAsk()
const words = ref('')
const found = shallowRef<FoundLines>()
const at = ref(-1)
const line = ref<HTMLInputElement>()
onMounted(() => void nextTick(() => line.value?.focus()))

/** So long after the last key it is looked for, in ms. */
const calm = 150
let timer: ReturnType<typeof setTimeout> | undefined
watch([words, () => JSON.stringify(props.input)], () => {
  clearTimeout(timer)
  timer = setTimeout(() => void find(), calm)
})
async function find(): Promise<void> {
  const asked = words.value
  const answer = asked.trim() ? await ask('foundInView', { ...props.input, words: asked }) : undefined
  if (asked !== words.value) return
  found.value = answer
  // One begins where the keyboard was.
  const next = answer?.lines.findIndex((line) => line >= props.from) ?? -1
  at.value = answer?.lines.length ? Math.max(0, next) : -1
  show()
}
const show = () => {
  const next = found.value?.lines[at.value]
  if (next !== undefined) emit('go', next)
}
function step(by: -1 | 1): void {
  const all = found.value?.lines.length ?? 0
  if (!all) return
  at.value = (at.value + by + all) % all
  show()
}
</script>

<template>
  <div class="find" role="search" @keydown.esc.stop.prevent="emit('close')">
    <input
      ref="line"
      v-model="words"
      :aria-label="tableWords.find"
      :placeholder="tableWords.find"
      maxlength="200"
      @keydown.enter.prevent="step($event.shiftKey ? -1 : 1)"
      @keydown.stop
      @keydown.esc.prevent="emit('close')"
    />
    <span class="soft" role="status">
      <template v-if="found && words.trim()"
        >{{ found.lines.length ? tableWords.foundAt(grouped(at + 1), grouped(found.lines.length)) : tableWords.notFound
        }}<template v-if="found.folded">, {{ tableWords.foundFolded(grouped(found.folded)) }}</template></template
      >
    </span>
    <IconButton :icon="mdiChevronUp" :label="tableWords.findBefore" @click="step(-1)" />
    <IconButton :icon="mdiChevronDown" :label="tableWords.findNext" @click="step(1)" />
    <IconButton :icon="mdiClose" :label="frameWords.close" @click="emit('close')" />
  </div>
</template>

<style scoped>
.find {
  position: absolute;
  right: 28px;
  top: calc(var(--row) + 5px);
  z-index: 4;
  display: flex;
  align-items: center;
  gap: 6px;
  padding: 4px 8px;
  max-width: calc(100% - 32px);
  background: var(--raised);
  border: 1px solid var(--rule-strong);
  border-radius: var(--round);
  box-shadow: var(--shadow);
}
input {
  width: min(220px, 40vw);
  min-height: var(--target);
  padding: 0 6px;
  background: var(--paper);
  border: 1px solid var(--rule);
  border-radius: var(--round);
}
.soft {
  white-space: nowrap;
}
@media (max-width: 700px) {
  .find {
    right: 8px;
    gap: 2px;
  }
  .soft {
    white-space: normal;
    min-width: 5ch;
  }
  input {
    width: 30vw;
  }
}
</style>
