<script setup lang="ts">
import { computed, ref } from 'vue'
import { mdiDotsHorizontal } from '@mdi/js'
import { roomWords, type Drop } from '#core/board/columns'
import { isSameValue } from '#core/base/sorted-ids'
import type { LimitSet } from '#core/model/reader'
import { useDirectory } from '../../data/directory'
import { LeafMark } from '../../parts/marks'
import type { Project } from '#core/model/records'
import IconButton from '../../parts/IconButton.vue'
import { frameWords } from '../../shell/words'
import { ColumnMenu, LimitEditor } from './beside'
import { followDrag } from '../../parts/row-drag'
import PlacesMark from '../../parts/PlacesMark.vue'
import { columnWords } from '../words'
import type { ShownColumn } from './use-columns'

/** A column's head: its name, its places and how much room there is, where its limit is set. */
const props = defineProps<{ shown: ShownColumn; project: Project; maySet: boolean; drop: Drop | undefined }>()
const emit = defineEmits<{
  fold: []
  hide: []
  limit: [to: LimitSet | null]
  grab: [down: PointerEvent]
  /** In px; undefined: as the board has it. */
  stretch: [width: number | undefined]
}>()
const directory = useDirectory()
const column = computed(() => props.shown.column)
const inView = computed(() => props.shown.answer?.shown ?? 0)
const isOpen = ref(false)
const head = ref<HTMLElement>()
/** Where its menu opens. */
const menu = ref<{ point?: [number, number] }>()
function openMenu(event: MouseEvent | KeyboardEvent): void {
  event.preventDefault()
  const isPointer = event.type === 'contextmenu' && (event as MouseEvent).button === 2
  menu.value = isPointer ? { point: [(event as MouseEvent).clientX, (event as MouseEvent).clientY] } : {}
}
/** Its right edge is dragged. */
function dragEdge(down: PointerEvent): void {
  const from = head.value?.getBoundingClientRect().width ?? 0
  down.preventDefault()
  followDrag(down, { move: (x) => emit('stretch', from + x - down.clientX), end: () => {} })
}
const widen = (by: number): void => emit('stretch', (head.value?.getBoundingClientRect().width ?? 0) + by)
const room = ref<HTMLElement>()
function set(to: LimitSet | null): void {
  isOpen.value = false
  if (!isSameValue(to, props.shown.limit)) emit('limit', to)
}
</script>

<template>
  <div v-if="shown.isFolded" class="col folded">
    <button type="button" :aria-label="columnWords.unfold(column.name)" :title="column.name" @click="emit('fold')">
      <LeafMark v-if="shown.sign" :share="directory.share(shown.sign)" :colour="shown.sign.colour" /><b>{{
        shown.held
      }}</b>
    </button>
  </div>
  <div v-else ref="head" class="col" :class="{ over: shown.isOver }" @contextmenu="openMenu">
    <h2>
      <button
        type="button"
        class="name"
        :aria-label="columnWords.fold(column.name)"
        @click="emit('fold')"
        @pointerdown="maySet && emit('grab', $event)"
      >
        <LeafMark
          v-if="shown.sign"
          :share="directory.share(shown.sign)"
          :colour="shown.isOver ? 'rust' : shown.sign.colour"
        /><span class="one-line" :title="column.name">{{ column.name }}</span>
      </button>
      <IconButton
        class="more"
        :icon="mdiDotsHorizontal"
        :label="frameWords.acts(column.name)"
        aria-haspopup="menu"
        @click="openMenu($event)"
      />
    </h2>
    <button
      ref="room"
      type="button"
      class="room"
      :disabled="!maySet"
      :aria-haspopup="maySet ? 'dialog' : undefined"
      :aria-expanded="maySet ? isOpen : undefined"
      :title="maySet ? columnWords.setLimit(column.name) : undefined"
      @click="isOpen = !isOpen"
    >
      <PlacesMark
        v-if="shown.limit && shown.limit.most !== null"
        :held="shown.amount"
        :limit="shown.limit.most"
        :least="shown.limit.least"
        :say="shown.say"
      /><span v-else class="soft"
        >{{ columnWords.items(shown.held)
        }}<b v-if="shown.room.is === 'under'" class="rust">, {{ roomWords(shown.room, shown.say) }}</b></span
      >
      <span v-if="shown.limit?.stops" class="stops">{{ columnWords.stops }}</span>
      <span v-if="inView < shown.held" class="soft">{{ columnWords.shown(inView, shown.held) }}</span>
      <span v-if="maySet" class="unseen">{{ columnWords.setLimit(column.name) }}</span>
    </button>
    <LimitEditor v-if="isOpen" :column="column" :limit="shown.limit" :at="room" @set="set" @leave="isOpen = false" />
    <p v-if="column.belongs" class="about soft">{{ column.belongs }}</p>
    <p v-if="column.leaves" class="about soft">{{ columnWords.leaves(column.leaves) }}</p>
    <ColumnMenu
      v-if="menu && head"
      :column="column"
      :project="project"
      :held="shown.held"
      :may-edit="maySet"
      :is-stretched="shown.width !== undefined"
      :at="head"
      :point="menu.point"
      @close="menu = undefined"
      @fold="emit('fold')"
      @hide="emit('hide')"
      @widen="widen"
      @usual="emit('stretch', undefined)"
      @limit="isOpen = true"
    />
    <span
      class="edge"
      :title="columnWords.width"
      aria-hidden="true"
      @pointerdown="dragEdge"
      @dblclick="emit('stretch', undefined)"
    />
    <div v-if="drop" class="drop" :class="{ no: drop.isOver }">{{ drop.words }}</div>
  </div>
</template>

<style scoped>
.col {
  padding: 6px 10px 7px;
  border-left: 1px solid var(--rule);
  display: grid;
  gap: 2px;
  align-content: start;
  min-width: 0;
  position: relative;
}
.edge {
  position: absolute;
  top: 0;
  bottom: 0;
  right: -4px;
  width: 8px;
  z-index: 1;
  cursor: col-resize;
  touch-action: none;
}
.edge:hover {
  background: linear-gradient(90deg, transparent 3px, var(--leaf) 3px 5px, transparent 5px);
}
.col:first-child {
  border-left: 0;
}
.over {
  background: var(--rust-tint);
}
h2 {
  font: var(--type-column);
  display: flex;
  gap: 4px;
  align-items: center;
  min-width: 0;
}
.more {
  margin-left: auto;
  width: 24px;
  height: 24px;
  opacity: 0;
}
.col:hover .more,
.more:focus-visible,
.more[aria-expanded='true'] {
  opacity: 1;
}
.about {
  font: var(--type-aside);
  overflow-wrap: anywhere;
  display: -webkit-box;
  -webkit-line-clamp: 2;
  -webkit-box-orient: vertical;
  overflow: hidden;
}
@media (hover: none) {
  .more {
    opacity: 1;
  }
}
.name {
  display: flex;
  gap: 7px;
  align-items: center;
  max-width: 100%;
  min-height: var(--target);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.over h2 {
  color: var(--rust);
  font-weight: 600;
}
.room {
  display: flex;
  gap: 4px 10px;
  align-items: center;
  flex-wrap: wrap;
  font-size: var(--size-small);
  width: max-content;
  max-width: 100%;
  min-height: var(--target);
  border-radius: var(--round);
}
.room:not(:disabled):hover {
  box-shadow: 0 1.5px 0 var(--lichen);
}
.room:disabled {
  cursor: default;
}
.stops {
  font-weight: 600;
  border-bottom: 2px solid var(--rust);
  line-height: 1.1;
}
.over .soft {
  color: var(--ink);
}
.drop {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  font-size: var(--size-small);
  color: var(--leaf);
  font-weight: 600;
}
.drop.no {
  color: var(--rust);
}
.folded {
  padding: 10px 0;
  background: var(--sunk);
}
.folded button {
  display: grid;
  justify-items: center;
  gap: 6px;
  width: 100%;
}
.folded b {
  font-weight: 600;
  font-size: var(--size-small);
}
/* On a phone its tab says its name. */
@media (max-width: 700px) {
  h2 {
    display: none;
  }
}
</style>
