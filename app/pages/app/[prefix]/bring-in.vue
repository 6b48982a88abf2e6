<script setup lang="ts">
import { computed, nextTick, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { proxy, wrap, type Remote } from 'comlink'
import { navigateTo } from 'nuxt/app'
import { useRoute } from 'vue-router'
import { useVirtualizer } from '@tanstack/vue-virtual'
import type { ColumnPlan, ColumnTarget } from '#core/bring-in/columns'
import type { Fault } from '#core/bring-in/plan'
import { fieldTypeNames, type FieldTypeName } from '#core/fields/contract'
import { fieldTypes } from '#core/fields/registry'
import type { StatusId } from '#core/model/records'
import type { BringInApi, PlanSummary, ReadFile, ShownRow } from '../../../bring-in/worker'
import AppFrame from '../../../shell/AppFrame.vue'
import { useChanges } from '../../../data/changes'
import { useDirectory } from '../../../data/directory'
import { useAsk } from '../../../data/use-ask'
import { useStretch } from '../../../view-layouts/use-stretch'
import { words } from '../../../words'

/** Brings a file in: what each column would become, what each row will be, what is left out and why; then confirmed. */
const w = words.bringIn
const route = useRoute()
const directory = useDirectory()
const ask = useAsk()
const changes = useChanges()
const project = computed(() => directory.byPrefix(String(route.params.prefix)))
const statuses = computed(() => (project.value ? directory.statuses(project.value.id) : []))
const fields = computed(() => (project.value ? directory.fields(project.value.id) : []))

const worker = new Worker(new URL('../../../bring-in/worker.ts', import.meta.url), { type: 'module' })
worker.addEventListener('error', (event) => console.error('bring-in worker:', event.message))
const api: Remote<BringInApi> = wrap<BringInApi>(worker)
onBeforeUnmount(() => worker.terminate())

const fileName = ref('')
const reading = ref<{ done: number; all: number }>()
const file = shallowRef<ReadFile>()
const said = ref('')
const columns = shallowRef<readonly ColumnPlan[]>([])
const statusFor = ref<Record<string, StatusId>>({})
const mends = ref<Record<number, Record<number, string>>>({})
const plan = shallowRef<PlanSummary>()
const isSending = ref(false)
const doneCount = ref<number>()
const isDropping = ref(false)

async function take(chosen: File | undefined): Promise<void> {
  if (!chosen || !project.value) return
  forget()
  fileName.value = chosen.name
  reading.value = { done: 0, all: chosen.size }
  const records = JSON.parse(JSON.stringify(directory.told?.records ?? {})) as Parameters<BringInApi['ground']>[0]
  await api.ground(records, (await ask('projectItems', { project: project.value.id })) ?? [])
  const read = await api.read(
    chosen,
    project.value.id,
    proxy((done: number) => (reading.value = { done, all: chosen.size })),
  )
  reading.value = undefined
  if (!read) return forget()
  if ('problem' in read) return void (said.value = await changes.wordsFor(read.problem))
  file.value = read
  columns.value = read.columns
}
function forget(): void {
  file.value = plan.value = doneCount.value = reading.value = undefined
  columns.value = []
  statusFor.value = {}
  mends.value = {}
  said.value = ''
}

const rows = shallowRef<{ from: number; rows: readonly ShownRow[] }>({ from: 0, rows: [] })
watch(
  [columns, statusFor, mends],
  async () => {
    if (!file.value || !project.value || !columns.value.length) return
    const choices = JSON.parse(JSON.stringify({ statuses: statusFor.value, mends: mends.value })) as Parameters<
      BringInApi['plan']
    >[2]
    plan.value = await api.plan(project.value.id, JSON.parse(JSON.stringify(columns.value)) as ColumnPlan[], choices)
    await fetchRows()
  },
  { deep: true },
)

const scroller = ref<HTMLElement>()
const virtualizer = useVirtualizer(
  computed(() => ({
    count: file.value?.records ?? 0,
    getScrollElement: () => scroller.value ?? null,
    estimateSize: () => 31,
    overscan: 20,
  })),
)
const lines = computed(() => virtualizer.value.getVirtualItems())
async function fetchRows(first = lines.value[0]?.index ?? 0, last = lines.value.at(-1)?.index ?? 40): Promise<void> {
  const from = Math.max(0, first - 400)
  rows.value = { from, rows: await api.rows(from, last + 400) }
}
useStretch(
  lines,
  () => (plan.value ? rows.value : undefined),
  () => file.value?.records ?? 0,
  (from, to) => void fetchRows(from, to),
)
const rowAt = (index: number): ShownRow | undefined => rows.value.rows[index - rows.value.from]
const faultOf = computed(() => new Map((plan.value?.faults ?? []).map((fault) => [fault.line, fault])))
const upLines = computed(() => new Set((plan.value?.movedUp ?? []).map((one) => one.line)))

const targetKey = (target: ColumnTarget): string =>
  target.to === 'field' ? `field ${target.field}` : target.to === 'new' ? `new ${target.type}` : target.to
function setTarget(i: number, key: string): void {
  const plan_ = columns.value[i]
  if (!plan_) return
  const [to, more = ''] = key.split(' ')
  const target: ColumnTarget =
    to === 'field'
      ? { to, field: more }
      : to === 'new'
        ? { to, name: plan_.header, type: more as FieldTypeName, ...(more === 'number' && { decimals: 2 }) }
        : { to: to as 'title' }
  // What only one column can be, the other gives up.
  columns.value = columns.value.map((one, j) =>
    j === i
      ? { ...one, target }
      : target.to !== 'new' && target.to !== 'nothing' && targetKey(one.target) === key
        ? { ...one, target: { to: 'nothing' } }
        : one,
  )
}
/** The field that is proposed is named; the others are named by their type. */
const newName = (column: ColumnPlan, type: FieldTypeName): string =>
  column.target.to === 'new' && column.target.type === type
    ? `${column.target.name}, ${fieldTypes[type].label}`
    : fieldTypes[type].label
const template = computed(
  () =>
    `72px ${columns.value.map(({ target }) => (target.to === 'title' ? '240px' : target.to === 'new' && target.type === 'longText' ? '180px' : '128px')).join(' ')}`,
)
const shownTitle = computed(() => columns.value.findIndex((one) => one.target.to === 'title'))

const faultWords = shallowRef<ReadonlyMap<number, string>>(new Map())
watch(plan, async (now) => {
  const found = await Promise.all(
    (now?.faults ?? []).map(async (fault) => [fault.line, await changes.wordsFor(fault.problem)] as const),
  )
  faultWords.value = new Map(found)
})
const mendText = ref<Record<number, string>>({})
function mend(fault: Fault): void {
  const text = mendText.value[fault.line]
  if (text === undefined) return
  mends.value = { ...mends.value, [fault.line]: { ...mends.value[fault.line], [fault.column]: text } }
}
let walked = -1
async function nextFault(): Promise<void> {
  const faults = plan.value?.faults ?? []
  if (!faults.length) return
  walked = (walked + 1) % faults.length
  await goTo(faults[walked]?.line ?? 0)
}
async function goTo(line: number): Promise<void> {
  const place = await api.placeOf(line)
  if (place >= 0) virtualizer.value.scrollToIndex(place, { align: 'center' })
  void nextTick(() => document.getElementById(`mend-${line}`)?.focus())
}

const mayGo = computed(() => !!plan.value?.items && !plan.value.unknownStatuses.length && !isSending.value)
async function go(): Promise<void> {
  if (!mayGo.value || !plan.value) return
  const count = plan.value.items
  isSending.value = true
  const body = await api.body()
  const wrong = body
    ? await changes.sendAndWait({ type: 'bring-in', ...body }, `bring-in of ${count} items`)
    : undefined
  isSending.value = false
  if (wrong) return void (said.value = await changes.wordsFor(wrong))
  doneCount.value = count
}
const firstTable = computed(
  () => project.value && directory.views(project.value.id).find((view) => view.definition.layout === 'table'),
)
const leave = () => navigateTo(firstTable.value ? `/app/${project.value?.prefix}/${firstTable.value.id}` : '/app')
function onKey(event: KeyboardEvent): void {
  const isTyping = /^(INPUT|SELECT)$/.test((event.target as HTMLElement).tagName)
  if (event.key === 'Enter' && event.ctrlKey) void go()
  else if (event.key === 'Escape' && !isTyping) void leave()
  else if (event.key.toLowerCase() === 'f' && !isTyping && !event.ctrlKey && !event.metaKey) void nextFault()
  else return
  event.preventDefault()
}
addEventListener('keydown', onKey)
onBeforeUnmount(() => removeEventListener('keydown', onKey))
function drop(event: DragEvent): void {
  isDropping.value = false
  void take(event.dataTransfer?.files[0])
}
</script>

<template>
  <AppFrame>
    <template #sentence>
      <div class="row">
        <h1>
          {{ w.title }} <span v-if="fileName" class="soft">{{ fileName }}</span>
          <small class="soft"
            >{{ w.into }} {{ project?.name
            }}<template v-if="file"> · UTF-8, {{ w.split(w.delimiters[file.delimiter] ?? '') }}</template></small
          >
        </h1>
        <div v-if="file" class="count">
          <b>{{ file.records }}</b> <span class="soft">{{ w.rowsOnly(file.header.length) }}</span>
        </div>
      </div>
    </template>
    <p v-if="!project" class="soft pad">{{ words.view.noSuchProject }}</p>
    <div v-else-if="doneCount !== undefined" class="pad done" role="status">
      <h2>{{ w.done(doneCount) }}</h2>
      <div class="ends">
        <button type="button" class="go" @click="leave">{{ w.see }}</button><button
          type="button"
          class="link"
          @click="forget"
        >
          {{ w.another }}
        </button>
      </div>
    </div>
    <div
      v-else-if="!file"
      class="pad choose"
      :class="{ over: isDropping }"
      @dragover.prevent="isDropping = true"
      @dragleave="isDropping = false"
      @drop.prevent="drop"
    >
      <template v-if="reading"
        ><p role="status">{{ w.reading(reading.done, reading.all) }}</p>
        <progress :value="reading.done" :max="reading.all" /><button type="button" class="link" @click="api.stop()">
          {{ w.stop }}
        </button></template
      >
      <template v-else>
        <h2>{{ w.choose }}</h2>
        <p class="soft">{{ w.chooseHint }}</p>
        <label class="go"
          >{{ w.button
          }}<input
            class="unseen"
            type="file"
            accept=".csv,.tsv,.txt,text/csv"
            @change="take(($event.target as HTMLInputElement).files?.[0])"
        /></label>
        <p v-if="said" class="said" role="alert">{{ said }}</p>
      </template>
    </div>
    <div v-else class="work">
      <div
        ref="scroller"
        class="grid"
        role="table"
        :aria-label="fileName"
        :aria-rowcount="file.records + 1"
        tabindex="0"
      >
        <div class="cols" role="row" :style="{ gridTemplateColumns: template }">
          <div class="h" role="columnheader">
            <b>{{ w.line }}</b>
          </div>
          <div v-for="(column, i) in columns" :key="i" class="h" role="columnheader">
            <b :title="column.header">{{ column.header }}</b>
            <select
              :value="targetKey(column.target)"
              :aria-label="w.becomes(column.header)"
              :class="{ new: column.target.to === 'new' }"
              @change="setTarget(i, ($event.target as HTMLSelectElement).value)"
            >
              <option value="title">→ {{ words.table.title.toLowerCase() }}</option>
              <option value="kind">→ {{ words.table.kind.toLowerCase() }}</option>
              <option value="status">→ {{ words.table.status.toLowerCase() }}</option>
              <option value="parent">→ {{ words.item.parent.toLowerCase() }}</option>
              <option v-for="field in fields" :key="field.id" :value="`field ${field.id}`">→ {{ field.name }}</option>
              <option v-for="type in fieldTypeNames" :key="type" :value="`new ${type}`">
                {{ w.newField }} {{ newName(column, type) }}
              </option>
              <option value="nothing">{{ w.nothing }}</option>
            </select>
          </div>
        </div>
        <div class="rows" role="rowgroup" :style="{ height: `${virtualizer.getTotalSize()}px` }">
          <div
            v-for="line in lines"
            :key="String(line.key)"
            class="line"
            role="row"
            :class="{ bad: rowAt(line.index)?.isLeftOut, up: upLines.has(rowAt(line.index)?.line ?? -1) }"
            :style="{ gridTemplateColumns: template, transform: `translateY(${line.start}px)` }"
          >
            <template v-if="rowAt(line.index)">
              <span role="rowheader" class="soft">{{ rowAt(line.index)!.line }}</span>
              <span
                v-for="(_, i) in columns"
                :key="i"
                role="cell"
                :class="{
                  x: rowAt(line.index)!.isLeftOut && faultOf.get(rowAt(line.index)!.line)?.column === i,
                  out: columns[i]?.target.to === 'nothing',
                }"
                :style="i === shownTitle ? { paddingLeft: `${10 + rowAt(line.index)!.level * 14}px` } : {}"
                >{{ rowAt(line.index)!.cells[i] || (i === shownTitle ? w.noTitle : '') }}</span
              >
            </template>
          </div>
        </div>
      </div>
      <aside class="side">
        <div v-if="plan" class="sum">
          <b>{{ plan.items }}</b><span>{{ w.will(plan.levels) }}</span>
          <b class="rust">{{ plan.faults.length }}</b><span>{{ w.leftOut }}</span>
          <b class="ochre">{{ plan.movedUp.length }}</b><span>{{ w.movedUp }}</span>
          <b>{{ plan.peopleNamed }}</b><span>{{
            w.people(plan.peopleNamed, plan.newPeople).replace(/^\d+ /, '')
          }}</span>
          <b>{{ plan.newKinds + plan.newFields }}</b><span>{{ w.fresh(plan.newKinds, plan.newFields) }}</span>
        </div>
        <div class="lists">
          <section v-if="plan?.unknownStatuses.length">
            <h2>{{ w.statuses }}</h2>
            <p class="soft">{{ w.statusHint }}</p>
            <label v-for="text in plan.unknownStatuses" :key="text" class="map"
              >{{ text }}
              <select
                :aria-label="`${words.table.status}: ${text}`"
                @change="statusFor = { ...statusFor, [text]: ($event.target as HTMLSelectElement).value as StatusId }"
              >
                <option value="" disabled selected>{{ w.chooseStatus }}</option>
                <option v-for="status in statuses" :key="status.id" :value="status.id">{{ status.name }}</option>
              </select>
            </label>
          </section>
          <section v-if="plan?.faults.length">
            <h2>{{ w.faults }}</h2>
            <form v-for="fault in plan.faults.slice(0, 200)" :key="fault.line" class="f" @submit.prevent="mend(fault)">
              <button type="button" class="n soft" @click="goTo(fault.line)">{{ fault.line }}</button>
              <span
                >{{ faultWords.get(fault.line) }}
                <input
                  v-if="fault.column >= 0"
                  :id="`mend-${fault.line}`"
                  v-model="mendText[fault.line]"
                  :aria-label="w.mend(fault.line)"
                  :placeholder="w.mend(fault.line)"
              /></span>
            </form>
          </section>
          <section v-if="plan?.movedUp.length">
            <h2>{{ w.upHead }}</h2>
            <div v-for="one in plan.movedUp.slice(0, 200)" :key="one.line" class="f">
              <button type="button" class="n soft" @click="goTo(one.line)">{{ one.line }}</button><span>{{
                w.upLine(one.from)
              }}</span>
            </div>
          </section>
        </div>
        <p v-if="said" class="said" role="alert">{{ said }}</p>
        <button type="button" class="go" :disabled="!mayGo" @click="go">
          {{ isSending ? w.sending(plan?.items ?? 0) : w.go(plan?.items ?? 0) }}
        </button>
        <progress v-if="isSending" />
        <span class="soft small">{{ w.nothingYet }}</span>
      </aside>
    </div>
    <template #tally>
      <span class="soft hints"
        ><kbd>F</kbd> {{ w.nextFault }} &nbsp; <kbd>Ctrl Enter</kbd> {{ w.title.toLowerCase() }} &nbsp; <kbd>Esc</kbd>
        {{ w.leave }}</span
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
  font: 500 20px/1.2 var(--serif);
}
h1 small {
  font: 400 13.5px var(--sans);
  margin-left: 6px;
}
.count {
  margin-left: auto;
  white-space: nowrap;
}
.count b {
  font: 600 20px/1 var(--serif);
}
.pad {
  padding: 64px 24px;
  display: grid;
  gap: 12px;
  justify-items: start;
  align-content: start;
}
.pad h2 {
  font: 600 20px/1.3 var(--serif);
}
.choose {
  height: 100%;
}
.choose.over {
  background: var(--leaf-tint);
}
.choose .go {
  cursor: pointer;
}
.choose .go:focus-within {
  outline: 2px solid var(--leaf);
  outline-offset: 2px;
}
.ends {
  display: flex;
  gap: 16px;
  align-items: center;
}
.work {
  height: 100%;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 318px;
}
.grid {
  overflow: auto;
  min-height: 0;
}
.cols {
  display: grid;
  position: sticky;
  top: 0;
  z-index: 2;
  background: var(--sunk);
  border-bottom: 1px solid var(--rule-strong);
  min-width: max-content;
}
.h {
  padding: 9px 10px 8px;
  border-left: 1px solid var(--rule);
  font-size: 12.5px;
  min-width: 0;
}
.h:first-child {
  border-left: 0;
  padding-left: 24px;
}
.h b {
  display: block;
  font: 600 13.5px var(--serif);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.h select {
  width: 100%;
  border: 0;
  border-bottom: 1.5px dotted var(--lichen);
  background: transparent;
  padding: 2px 0;
  font-size: 13px;
}
.h select.new {
  color: var(--wren);
}
option {
  background: var(--raised);
  color: var(--ink);
}
.rows {
  position: relative;
}
.line {
  position: absolute;
  left: 0;
  display: grid;
  min-width: max-content;
}
.line > span {
  height: 31px;
  line-height: 30px;
  padding: 0 10px;
  border-bottom: 1px solid var(--rule);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.line > span:first-child {
  padding-left: 24px;
}
.line .out {
  color: var(--soft);
  text-decoration: line-through;
}
.bad > span {
  background: var(--rust-tint);
}
.bad > .x {
  box-shadow: inset 0 0 0 1.5px var(--rust);
  color: var(--rust);
  font-weight: 600;
}
.up > span {
  background: var(--ochre-tint);
}
.side {
  border-left: 1px solid var(--rule-strong);
  background: var(--raised);
  padding: 14px 18px;
  display: flex;
  flex-direction: column;
  gap: 9px;
  font-size: 13px;
  min-height: 0;
}
.sum {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 3px 12px;
  font-size: 13.5px;
}
.sum b {
  text-align: right;
  font-weight: 600;
}
.ochre {
  color: var(--ochre-text);
}
.lists {
  flex: 1;
  overflow: auto;
  min-height: 0;
  margin-right: -10px;
  padding-right: 10px;
}
.side h2 {
  font: 600 15px var(--serif);
  padding-top: 8px;
}
.f {
  display: grid;
  grid-template-columns: 34px 1fr;
  gap: 2px 8px;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
  line-height: 1.35;
}
.n {
  align-self: start;
}
.f input {
  display: block;
  width: 100%;
  border: 0;
  border-bottom: 1px dotted var(--edge);
  background: transparent;
  padding: 2px 0;
}
.f input::placeholder {
  color: var(--pool);
}
.map {
  display: flex;
  justify-content: space-between;
  padding: 4px 0;
}
.map select {
  border: 1px solid var(--edge);
  border-radius: 3px;
  background: var(--raised);
}
.small {
  font-size: 12.5px;
}
progress {
  width: 100%;
  accent-color: var(--leaf);
}
@media (max-width: 700px) {
  .work {
    grid-template: minmax(0, 1fr) auto / minmax(0, 1fr);
  }
  .side {
    border-left: 0;
    border-top: 1px solid var(--rule-strong);
    max-height: 50vh;
  }
  .hints {
    display: none;
  }
}
</style>
