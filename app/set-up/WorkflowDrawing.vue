<script setup lang="ts">
import { computed } from 'vue'
import { useDirectory } from '../data/directory'
import { LeafMark } from '../parts/marks'
import { mayLeave, turnText, type StatusRow } from './statuses'
import { statusWords } from './words'
import { tallyWords } from '../shell/words'

/** The workflow as it reads from left to right; what is dropped can be reached from anywhere, and stands aside. */
const props = defineProps<{
  rows: readonly StatusRow[]
  /** Undefined until they have been counted. */
  counts: Readonly<Record<string, number>> | undefined
  marked: string | undefined
}>()
const emit = defineEmits<{ go: [row: StatusRow] }>()
const directory = useDirectory()
/** Where a line leads from one to the next. */
const leads = (row: StatusRow, next: StatusRow | undefined) => !!next && mayLeave(row, next.id)
const intoAside = computed(() => {
  const from = way.value.filter((row) => aside.value.some(({ id }) => mayLeave(row, id)))
  if (from.length === way.value.length) return statusWords.fromAnywhere
  return from.length ? statusWords.from(from.map(({ name }) => name)) : ''
})
const way = computed(() => props.rows.filter(({ status }) => status.phase !== 'dropped'))
const aside = computed(() => props.rows.filter(({ status }) => status.phase === 'dropped'))
</script>

<template>
  <div class="drawing" :aria-label="statusWords.drawing" role="group" tabindex="0">
    <template v-for="(part, i) in [way, aside]" :key="i">
      <ol v-if="part.length" :class="{ aside: i }">
        <li
          v-for="(row, at) in part"
          :key="row.id"
          :class="{ marked: row.id === marked, apart: at > 0 && !leads(part[at - 1]!, row) }"
        >
          <button type="button" :title="row.name" tabindex="-1" @click="emit('go', row)">
            <span class="sign"
              ><LeafMark :share="directory.share(row.status)" :colour="row.status.colour" />
              <span v-if="counts" class="soft">{{ tallyWords.items(counts[row.id] ?? 0) }}</span></span
            >
            <b>{{ row.name }}</b>
            <span class="soft">{{ turnText(directory.reader, row) || row.status.phase }}</span>
          </button>
        </li>
        <li v-if="i" class="how soft">{{ intoAside }}</li>
      </ol>
    </template>
  </div>
</template>

<style scoped>
.drawing {
  padding: 18px 0 20px;
  overflow-x: auto;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  display: flex;
}
li {
  flex: 0 1 132px;
  min-width: 96px;
}
li + li {
  padding-left: 16px;
  position: relative;
}
li + li::before {
  content: '';
  position: absolute;
  left: 1px;
  top: 50%;
  width: 14px;
  border-top: 2px solid var(--lichen);
}
li.apart::before {
  border-top: 2px dotted var(--rule);
}
.aside {
  margin-top: 12px;
}
.aside li + li::before {
  border-top: 0;
}
li.how {
  flex: none;
  align-self: center;
  font: var(--type-aside);
}
button {
  display: grid;
  gap: 1px;
  width: 100%;
  height: 100%;
  align-content: start;
  padding: 7px 8px;
  text-align: left;
  font-size: var(--size-small);
  background: var(--raised);
  border: 1px solid var(--rule-strong);
  border-radius: var(--round-card);
}
.aside button {
  border-style: dashed;
}
button:hover {
  border-color: var(--leaf);
}
.marked button {
  border-color: var(--rust);
  box-shadow: 0 0 0 1px var(--rust);
}
.sign {
  display: flex;
  gap: 6px;
  align-items: center;
  white-space: nowrap;
}
b {
  font: var(--type-section);
  font-size: 13.5px;
  line-height: 1.2;
  overflow-wrap: break-word;
  min-width: 0;
  display: -webkit-box;
  -webkit-line-clamp: 3;
  -webkit-box-orient: vertical;
  overflow: hidden;
}
</style>
