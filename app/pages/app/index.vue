<script setup lang="ts">
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { VBtn } from 'vuetify/components/VBtn'
import { statusesOfKind } from '#core/model/reader'
import { entryWords } from '#core/language/demand-words'
import type { RowWithPath } from '#core/layouts/rows'
import type { Project } from '#core/model/records'
import AppFrame from '../../shell/AppFrame.vue'
import { ItemPanel } from '../../item/panel'
import { setValue } from '../../parts/edits'
import { ItemMenu } from '../../parts/controls'
import { asksForMenu, type MenuPlace } from '../../parts/menu-place'
import QueueRow from '../../queue/QueueRow.vue'
import { pageSeed } from '../../data/page-seed'
import { useQuery } from '../../data/use-query'
import { useChanges } from '../../data/changes'
import { useDirectory } from '../../data/directory'
import { queueWords } from '../../queue/words'
import { frameWords } from '../../shell/words'

/** What is my turn, over all projects, in the order to take it. */
const directory = useDirectory()
const changes = useChanges()
const route = useRoute()
const router = useRouter()
const watched = useQuery('queue', () => undefined)
/** So many of a part are shown before one asks for more. */
const most = 40
const shownOf = ref<Record<string, number>>({})
const parts = computed(() => {
  const queue = watched.answer.value
  if (!queue) return []
  return [
    {
      name: 'now',
      title: queueWords.now,
      hint: queueWords.nowHint,
      rows: queue.now,
      empty: queue.next.length ? queueWords.emptyNow : '',
    },
    { name: 'next', title: queueWords.next, hint: queueWords.nextHint, rows: queue.next, empty: queueWords.emptyNext },
    { name: 'waits', title: queueWords.waits, hint: String(queue.waits.length || ''), rows: queue.waits, empty: '' },
    { name: 'nobodys', title: queueWords.nobodys, hint: queueWords.nobodysHint, rows: queue.nobodys ?? [], empty: '' },
  ].filter((part) => part.rows.length || part.empty || part.name === 'next')
})
const shown = (part: { name: string; rows: readonly RowWithPath[] }) =>
  part.rows.slice(0, shownOf.value[part.name] ?? most)
const walked = computed(() => parts.value.flatMap(shown))
const inTurn = computed(() => [...(watched.answer.value?.now ?? []), ...(watched.answer.value?.next ?? [])])
const late = computed(() => inTurn.value.filter((row) => row.late).length)
const projectCount = computed(() => new Set(inTurn.value.map((row) => row.item.project)).size)
/** The workspace's, where the page was drawn on the server. */
const hour = pageSeed()?.hour ?? new Date().getHours()
const openKey = computed(() => (typeof route.query.item === 'string' ? route.query.item : undefined))

const at = ref<string>()
watch(
  walked,
  (rows) => {
    if (!rows.some((row) => row.item.id === at.value)) at.value = rows[0]?.item.id
  },
  { immediate: true },
)

/** The next status after this one in the workflow of its kind to which it may go, where the work goes on. */
function nextStatus({ item }: RowWithPath) {
  const { reader, me } = directory
  const along = statusesOfKind(reader, item.kind).filter((one) => one.phase !== 'dropped')
  const further = along.slice(along.findIndex((one) => one.id === item.status) + 1)
  return further.find(({ id }) => me && !entryWords(reader, item, id, me.id)?.isOff)
}
/** Where somebody goes who has nothing to do here. */
function firstOf(project: Project): string {
  const [first] = directory.views(project.id)
  return first ? `/app/${project.prefix}/${first.id}` : '/app'
}
function open(row: RowWithPath): void {
  void router.push({ query: { item: row.address } })
}
const menu = shallowRef<MenuPlace<RowWithPath>>()
const rowActs = computed(() => {
  const row = menu.value?.row
  if (!row) return []
  const next = nextStatus(row)
  const mayMove = next && directory.may('change items', row.item.project)
  return [
    { label: frameWords.open, keys: 'Enter', do: () => open(row) },
    ...(mayMove ? [{ label: queueWords.moveOn(next.name), keys: '→', do: () => moveOn(row) }] : []),
  ]
})
function moveOn(row: RowWithPath): void {
  const to = nextStatus(row)
  if (to && directory.may('change items', row.item.project))
    void setValue(changes, row.item, 'status', row.item.status, to.id)
}
function onKey(event: KeyboardEvent): void {
  if (event.ctrlKey || event.metaKey || event.altKey) return
  const rows = walked.value
  const i = rows.findIndex((row) => row.item.id === at.value)
  const row = rows[i]
  if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
    const next = rows[Math.max(0, Math.min(rows.length - 1, i + (event.key === 'ArrowDown' ? 1 : -1)))]
    at.value = next?.item.id
    if (openKey.value && next) void router.replace({ query: { item: next.address } })
    void nextTick(() => document.getElementById(`q-${at.value}`)?.focus())
  } else if (event.key === 'Enter' && row) open(row)
  else if (event.key === 'ArrowRight' && row) moveOn(row)
  else if (asksForMenu(event) && row) menu.value = { row, at: event.target as HTMLElement }
  else if (event.key === 'Escape' && openKey.value) void router.push({ query: {} })
  else return
  event.preventDefault()
}
</script>

<template>
  <AppFrame>
    <template #sentence>
      <div class="row">
        <h1>
          {{ queueWords.good(hour) }}, {{ directory.me?.name.split(' ')[0] }}.
          <span class="soft">{{ queueWords.summary(late, inTurn.length) }}</span>
        </h1>
        <div class="count">
          <b>{{ inTurn.length }}</b> <span class="soft">{{ queueWords.inTurn(projectCount) }}</span>
        </div>
      </div>
    </template>
    <div class="list" @keydown="onKey">
      <ItemMenu v-if="menu" :place="menu" :acts="rowActs" @close="menu = undefined" />
      <div v-if="!directory.projects.length" class="empty">
        <h2>{{ queueWords.noProjects }}</h2>
        <p class="soft">
          {{ directory.may('start projects') ? queueWords.noProjectsHint : queueWords.noProjectsForYou }}
        </p>
      </div>
      <section v-for="part in directory.projects.length ? parts : []" :key="part.name" :aria-label="part.title">
        <h2 class="part" :class="{ first: part.name === 'now' }">
          {{ part.title }} <span>{{ part.hint }}</span>
        </h2>
        <div v-if="part.rows.length" class="heads" aria-hidden="true">
          <span />
          <span />
          <span>{{
            part.name === 'waits' || part.name === 'nobodys' ? queueWords.whose : queueWords.need
          }}</span><span>{{ queueWords.status }}</span
          ><span>{{ queueWords.due }}</span
          ><span class="number">{{ queueWords.effort }}</span>
        </div>
        <p v-if="!part.rows.length" class="soft none">{{ part.empty }}</p>
        <div v-if="part.name === 'next' && !walked.length" class="elsewhere">
          <VBtn
            v-for="project in directory.projects.slice(0, 4)"
            :key="project.id"
            variant="outlined"
            :to="firstOf(project)"
            >{{ queueWords.lookAt(project.name) }}</VBtn
          >
        </div>
        <QueueRow
          v-for="row in shown(part)"
          :id="`q-${row.item.id}`"
          :key="row.item.id"
          :row="row"
          :here="row.item.id === at"
          :part="part.name"
          :next="nextStatus(row)?.name"
          @focus="at = row.item.id"
          @open="open(row)"
          @move-on="moveOn(row)"
          @menu="(at, point) => (menu = { row, at, point })"
        />
        <VBtn
          v-if="part.rows.length > shown(part).length"
          variant="plain"
          @click="shownOf[part.name] = (shownOf[part.name] ?? most) + 200"
          >{{ queueWords.more(part.rows.length - shown(part).length) }}</VBtn
        >
      </section>
    </div>
    <template v-if="openKey" #panel
      ><ItemPanel
        :item-key="openKey"
        @close="router.push({ query: {} })"
        @open="router.push({ query: { item: $event } })"
    /></template>
    <template #tally>
      <span
        ><b>{{ inTurn.length }}</b> {{ queueWords.inTurn(1) }}</span
      >
      <span class="soft hints"
        ><kbd>↑</kbd> <kbd>↓</kbd> {{ queueWords.walk }} &nbsp; <kbd>Enter</kbd> {{ queueWords.open }} &nbsp;
        <kbd>→</kbd> {{ queueWords.keyMoveOn }}</span
      >
    </template>
  </AppFrame>
</template>

<style scoped>
.row {
  display: flex;
  gap: 20px;
  align-items: baseline;
}
h1 {
  font: var(--type-heading);
}
.count {
  margin-left: auto;
  white-space: nowrap;
}
.count b {
  font: var(--type-figure);
}
.list {
  height: 100%;
  overflow: auto;
  padding: 4px 24px 20px;
}
.part {
  font: var(--type-head);
  padding: 16px 0 7px;
  display: flex;
  gap: 10px;
  align-items: baseline;
  border-bottom: 1px solid var(--rule-strong);
}
.part span {
  font: var(--type-aside);
  color: var(--soft);
}
.list {
  container: queue / inline-size;
}
section {
  --queue-columns: 22px minmax(0, 1fr) 150px 104px 92px 64px 24px;
}
.heads {
  display: grid;
  grid-template-columns: var(--queue-columns);
  gap: 0 10px;
  padding: 5px 0 4px;
  font-size: var(--size-small);
  color: var(--soft);
}
.heads .number {
  text-align: right;
}
.none {
  padding: 10px 0;
}
.elsewhere {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.empty {
  padding: 64px 0;
  max-width: 46ch;
}
.empty h2 {
  font: var(--type-title);
}
/* By the room that there is: an item open beside takes some. */
@container queue (max-width: 760px) {
  section {
    --queue-columns: 22px minmax(0, 1fr) 120px 84px 52px 24px;
  }
  .heads > :nth-child(4) {
    display: none;
  }
}
@container queue (max-width: 500px) {
  section {
    --queue-columns: 22px minmax(0, 1fr) auto var(--target);
  }
  .heads {
    display: none;
  }
}
@media (max-width: 700px) {
  .list {
    padding: 0 16px 20px;
  }
  .row {
    flex-wrap: wrap;
    gap: 4px 12px;
  }
  h1 {
    font-size: 19px;
  }
  /* The bar below says it as well. */
  .count {
    display: none;
  }
  .hints {
    display: none;
  }
}
</style>
