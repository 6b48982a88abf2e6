<script setup lang="ts">
import { v7 } from 'uuid'
import { ref } from 'vue'
import type { Row } from '#core/layouts/rows'
import { startOfKind } from '#core/model/reader'
import type { Item, ItemId } from '#core/model/records'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { LeafMark, PersonPebbles } from '../parts/marks'
import { words } from '../words'

/** What is inside an item, and a line to add more. */
const props = defineProps<{ item: Item; inside: readonly Row[]; mayEdit: boolean }>()
const emit = defineEmits<{ open: [key: string] }>()
const changes = useChanges()
const directory = useDirectory()
const statusOf = (row: Row) => directory.reader.maybe('status', row.item.status)

const title = ref('')
async function add(): Promise<void> {
  const text = title.value.trim()
  const { id: parent, project, kind } = props.item
  const start = startOfKind(directory.reader, kind)
  if (!text || !start) return
  title.value = ''
  const one = { item: v7() as ItemId, project, kind, title: text, status: start.id, parent, values: {} }
  if (!(await changes.send({ type: 'items.add', items: [one] }))) title.value = text
}
</script>

<template>
  <section>
    <h3>
      {{ words.item.inside }} <span>{{ inside.length ? words.tally.items(inside.length) : '' }}</span>
    </h3>
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
      <span class="num soft">{{ child.key }}</span><span class="grow">{{ child.item.title }}</span
      ><PersonPebbles :people="child.turn" />
    </button>
    <form v-if="mayEdit" @submit.prevent="add">
      <input
        v-model="title"
        class="new"
        :placeholder="words.item.addInside"
        :aria-label="words.item.addInside"
        maxlength="600"
      />
    </form>
  </section>
</template>

<style scoped>
h3 {
  font: 600 13.5px var(--serif);
  border-bottom: 1px solid var(--rule);
  padding-bottom: 3px;
  display: flex;
}
h3 span {
  margin-left: auto;
  font: 400 12.5px var(--sans);
  color: var(--soft);
}
.line {
  min-height: 26px;
  display: flex;
  gap: 7px;
  align-items: center;
  padding: 3px 4px;
  margin: 0 -4px;
  width: calc(100% + 8px);
  border-radius: 3px;
}
.line:hover {
  background: var(--sunk);
}
.grow {
  flex: 1;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.new {
  width: 100%;
  border: 0;
  border-bottom: 1px dotted var(--edge);
  background: transparent;
  padding: 5px 0;
}
.new::placeholder {
  color: var(--soft);
}
</style>
