<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import type { BoardColumn, Project } from '#core/model/records'
import ActMenu, { type Act } from '../parts/ActMenu.vue'
import { frameWords } from '../shell/words'
import { useColumnActs } from './column-acts'
import ColumnLines from './ColumnLines.vue'
import NameEditor from './NameEditor.vue'
import { boardWords, setUpWords, statusWords } from './words'

/** What can be done with a column where it stands on the board. */
const props = defineProps<{
  column: BoardColumn
  project: Project
  /** How many items it holds. */
  held: number
  mayEdit: boolean
  /** It is not as wide as the board has it. */
  isStretched: boolean
  at: HTMLElement
  point?: [number, number] | undefined
}>()
const emit = defineEmits<{ close: []; fold: []; hide: []; limit: []; usual: []; widen: [by: number] }>()
const router = useRouter()
const acts = useColumnActs(() => props.project)
const step = ref<'menu' | 'name' | 'lines' | 'added'>('menu')
const others = computed(() => acts.columns(props.column))
const place = computed(() => acts.place(props.column))
/** What is one’s own to say. */
const looks = computed((): Act[] => [
  { label: boardWords.fold, do: () => end(() => emit('fold')) },
  { label: boardWords.hide, do: () => end(() => emit('hide')) },
  { label: boardWords.wider, do: () => end(() => emit('widen', 40)) },
  { label: boardWords.narrower, do: () => end(() => emit('widen', -40)) },
  ...(props.isStretched ? [{ label: boardWords.usualWidth, do: () => end(() => emit('usual')) }] : []),
])
const list = computed((): Act[] =>
  props.mayEdit
    ? [
        { label: boardWords.rename, do: () => (step.value = 'name') },
        { label: boardWords.describe, do: () => (step.value = 'lines') },
        { label: boardWords.changeLimit, do: () => end(() => emit('limit')) },
        { label: boardWords.addAfter, do: () => (step.value = 'added') },
        {
          label: boardWords.left,
          isOff: place.value === 0,
          do: () => end(() => acts.order(props.column, others.value[place.value - 1] ?? null)),
        },
        {
          label: boardWords.right,
          isOff: place.value === others.value.length - 1,
          do: () => end(() => acts.order(props.column, others.value[place.value + 2] ?? null)),
        },
        ...looks.value,
        { label: statusWords.remove, do: () => end(() => acts.askRemoval(props.column, props.held)) },
        {
          label: setUpWords.title(props.project.name),
          do: () => end(() => void router.push(`/app/${props.project.prefix}/set-up/board`)),
        },
      ]
    : looks.value,
)
/** The menu has closed itself; what it began goes on, or ends. */
const closed = () => setTimeout(() => step.value === 'menu' && emit('close'))
function end(act: () => void): void {
  emit('close')
  act()
}
</script>

<template>
  <ActMenu
    v-if="step === 'menu'"
    :acts="list"
    :label="frameWords.acts(column.name)"
    :at="at"
    :point="point"
    @close="closed"
  />
  <NameEditor
    v-else-if="step === 'name'"
    :name="column.name"
    :label="boardWords.name"
    :taken="others.filter(({ id }) => id !== column.id).map((other) => other.name)"
    :at="at"
    @take="end(() => acts.rename(column, $event))"
    @leave="emit('close')"
  />
  <NameEditor
    v-else-if="step === 'added'"
    name=""
    :label="boardWords.newName"
    :taken="others.map((other) => other.name)"
    :at="at"
    @take="end(() => acts.add(column.board, $event, others[place + 1]))"
    @leave="emit('close')"
  />
  <ColumnLines
    v-else
    :column="column"
    :at="at"
    @take="end(() => acts.describe(column, $event))"
    @leave="emit('close')"
  />
</template>
