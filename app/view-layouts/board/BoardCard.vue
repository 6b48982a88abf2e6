<script setup lang="ts">
import { computed, inject, onBeforeUnmount, onMounted, ref } from 'vue'
import { must } from '#core/base/result'
import type { Field } from '#core/model/records'
import { typeOf } from '#core/fields/registry'
import { idsOf } from '#core/fields/value'
import type { Row } from '#core/layouts/rows'
import { ValueText } from '../../parts/field-parts'
import { RowMenu } from '../../parts/row-menu'
import { DueText, KindMark, LeafMark, PersonPebbles } from '../../parts/marks'
import { useDirectory } from '../../data/directory'
import { itemWords } from '../../item/words'
import { selectionWords } from '../selection/words'
import { cardWords } from '../words'
import { boardKey } from './context'

/** A card: key, kind, title, due, the fields that the view shows, people. */
const props = defineProps<{
  row: Row
  still?: boolean
  /** Why it was let past the limit of its column, which is over it still. */
  letPast?: string | undefined
}>()
const board = must(inject(boardKey), 'board')
const directory = useDirectory()
const card = ref<HTMLElement>()
const kind = computed(() => directory.reader.maybe('kind', props.row.item.kind))
const status = computed(() => directory.reader.maybe('status', props.row.item.status))
const uses = computed(() => directory.reader.maybe('project', props.row.item.project)?.uses)
const due = computed(() => {
  const value = uses.value?.due ? props.row.item.values[uses.value.due] : undefined
  return typeof value === 'string' && board.show().includes(uses.value?.due ?? '') ? value : undefined
})
const shown = computed(() =>
  board
    .show()
    .flatMap((id) => directory.reader.maybe('field', id) ?? [])
    .filter((field) => !field.archived),
)
const isOfPeople = (field: Field) => typeOf(field).choices === 'people'
const people = computed(() => [
  ...new Set(shown.value.filter(isOfPeople).flatMap((field) => idsOf(props.row.item.values[field.id]))),
])
const facts = computed(() =>
  shown.value.filter(
    (field) => !isOfPeople(field) && field.id !== uses.value?.due && props.row.item.values[field.id] !== undefined,
  ),
)
const marked = computed(() => board.marks(props.row))
const isChosen = computed(() => !props.still && board.isChosen(props.row))
const isLifted = computed(() => !props.still && board.lift.value?.row.item.id === props.row.item.id)
let release: (() => void) | undefined
onMounted(() => {
  if (!props.still && board.mayMove.value && card.value) release = board.pointer.card(card.value, () => props.row)
})
onBeforeUnmount(() => release?.())
</script>

<template>
  <article
    :id="still ? undefined : `card-${row.item.id}`"
    ref="card"
    class="card"
    :class="{ lifted: isLifted, edge: !!marked, chosen: isChosen }"
    :style="marked && { '--edge-colour': marked.edge }"
    :title="marked?.says"
    :tabindex="still ? undefined : 0"
    :aria-label="`${row.key} ${row.item.title}${isChosen ? `, ${selectionWords.selected}` : ''}`"
    aria-describedby="card-how"
    @click="!board.lift.value && board.press($event, row)"
    @keydown="board.cardKey($event, row)"
    @contextmenu.prevent="board.menu(row, $event.currentTarget as HTMLElement, [$event.clientX, $event.clientY])"
  >
    <div class="top">
      <LeafMark v-if="status" :share="directory.share(status)" :colour="status.colour" :title="status.name" /><span>{{
        row.key
      }}</span
      ><KindMark v-if="kind" :name="kind.name" :icon="kind.icon" />
      <RowMenu
        v-if="!still"
        :of="row.key"
        class="acts"
        @click.stop="board.menu(row, $event.currentTarget as HTMLElement)"
        @pointerdown.stop
      />
    </div>
    <p><component :is="sign" v-for="(sign, i) in marked?.signs" :key="i" /> {{ row.item.title }}</p>
    <p v-if="letPast" class="let">{{ cardWords.letPast(letPast) }}</p>
    <div v-if="due || facts.length || people.length || row.children" class="foot">
      <DueText :due="due" :late="row.late" /><span v-if="row.children" :title="itemWords.inside">{{
        cardWords.inside(row.children)
      }}</span>
      <ValueText v-for="field in facts" :key="field.id" :field="field" :item="row.item" :late="row.late" />
      <span class="right"><PersonPebbles :people="people" /></span>
    </div>
  </article>
</template>

<style scoped>
.card {
  background: var(--raised);
  border: 1px solid var(--rule);
  border-radius: var(--round-card);
  padding: 7px 9px;
  position: relative;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 4px;
  cursor: pointer;
  touch-action: manipulation;
  user-select: none;
}
.card.chosen {
  background: var(--pool-tint);
  border-color: var(--pool);
  box-shadow: inset 3px 0 0 var(--pool);
}
.card:hover {
  border-color: var(--edge);
}
.card > p .signal {
  margin-right: 3px;
  vertical-align: -2px;
}
.lifted {
  opacity: 0.45;
  border-style: dashed;
}
.let {
  padding: 2px 6px;
  font-size: var(--size-small);
  background: var(--ochre-tint);
  border-radius: var(--round);
  overflow-wrap: anywhere;
}
.top {
  display: flex;
  align-items: center;
  gap: 6px;
  font-size: var(--size-small);
  color: var(--soft);
  white-space: nowrap;
  min-height: 16px;
  padding-right: 16px;
  overflow: hidden;
}
.top .leaf {
  width: 14px;
  height: 14px;
}
.acts {
  position: absolute;
  top: 2px;
  right: 2px;
  opacity: 0;
}
.card:hover .acts,
.card:focus-visible .acts,
.acts[aria-expanded='true'] {
  opacity: 1;
}
p {
  font-size: var(--size-data);
  line-height: 1.28;
  text-wrap: pretty;
  overflow-wrap: anywhere;
  display: -webkit-box;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 4;
  overflow: hidden;
}
.foot {
  display: flex;
  align-items: center;
  gap: 4px 7px;
  font-size: var(--size-small);
  color: var(--soft);
  flex-wrap: wrap;
}
@media (max-width: 700px) {
  .card {
    padding: 11px 12px;
    gap: 6px;
  }
  .top {
    padding-right: 32px;
  }
  p {
    font-size: var(--size-body);
  }
  .acts {
    opacity: 1;
  }
}
@media (hover: none) {
  .acts {
    opacity: 1;
  }
}
</style>
