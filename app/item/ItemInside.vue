<script setup lang="ts">
import { computed } from 'vue'
import { v7 } from 'uuid'
import { kindInside } from '#core/entry/kind-inside'
import type { Begin } from '#core/entry/new-items'
import { askedOf } from '#core/items/fallbacks'
import type { Row } from '#core/layouts/rows'
import { startOfKind } from '#core/model/reader'
import type { Item, ItemId } from '#core/model/records'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { AddItem } from '../parts/controls'
import SectionHead from '../parts/SectionHead.vue'
import { LeafMark, PersonPebbles } from '../parts/marks'
import { itemWords } from './words'
import { tallyWords } from '../shell/words'

/** What is inside an item, and a line to add more. */
const props = defineProps<{ item: Item; inside: readonly Row[]; mayEdit: boolean }>()
const emit = defineEmits<{ open: [key: string] }>()
const changes = useChanges()
const directory = useDirectory()
const statusOf = (row: Row) => directory.reader.maybe('status', row.item.status)

function begin(): Begin | undefined {
  const { id: parent, project } = props.item
  const above = directory.reader.maybe('kind', props.item.kind)
  const kind = above && kindInside(directory.reader, above.id, above)
  const status = kind && startOfKind(directory.reader, kind.id)?.id
  return status && { project, kind, status, parent, values: {} }
}
const asks = computed(() => {
  const kind = begin()?.kind
  return kind ? askedOf(directory.reader, kind) : []
})
async function add(title: string, values: Item['values']): Promise<boolean> {
  const from = begin()
  if (!from) return false
  const one = { ...from, item: v7() as ItemId, kind: from.kind.id, title, values }
  return changes.send({ type: 'items.add', items: [one] })
}
</script>

<template>
  <section>
    <SectionHead :title="itemWords.inside">{{ inside.length ? tallyWords.items(inside.length) : '' }}</SectionHead>
    <button
      v-for="child in inside"
      :key="child.item.id"
      type="button"
      class="line"
      @click="emit('open', child.address)"
    >
      <LeafMark
        v-if="statusOf(child)"
        :share="directory.share(statusOf(child)!)"
        :colour="statusOf(child)!.colour"
        :title="statusOf(child)!.name"
      />
      <span class="num soft">{{ child.key }}</span><span class="grow one-line">{{ child.item.title }}</span
      ><PersonPebbles :people="child.turn" />
    </button>
    <AddItem
      v-if="mayEdit"
      :key="item.id"
      class="new"
      :label="itemWords.addInside"
      :placeholder="itemWords.addInside"
      :asks="asks"
      :add="add"
      :begin="begin"
    />
  </section>
</template>

<style scoped>
.line {
  min-height: 26px;
  display: flex;
  gap: 7px;
  align-items: center;
  padding: 3px 4px;
  margin: 0 -4px;
  width: calc(100% + 8px);
  border-radius: var(--round);
}
.line:hover {
  background: var(--sunk);
}
.grow {
  flex: 1;
}
</style>
