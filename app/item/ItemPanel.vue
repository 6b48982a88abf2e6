<script setup lang="ts">
import { RouterLink } from 'vue-router'
import { computed, ref, watch } from 'vue'
import { v7 } from 'uuid'
import { mdiArrowExpand, mdiClose, mdiLinkVariant } from '@mdi/js'
import { startOfKind } from '#core/model/reader'
import { dayNumber, dateIn } from '#core/base/dates'
import type { Field, ItemId, View, ViewDefinition } from '#core/model/records'
import { useQuery } from '../data/use-query'
import { dayWords } from '../dates'
import PopMenu from '../parts/PopMenu.vue'
import ChoiceList from '../parts/ChoiceList.vue'
import { kindChoices, statusChoices } from '../parts/choices'
import { setValue } from '../parts/edits'
import FieldEditor from '../parts/FieldEditor.vue'
import { fieldParts, ValueText } from '../parts/field-parts'
import { KindMark, LeafMark, PersonPebbles, StatusText } from '../parts/marks'
import LongTextEditor from './LongTextEditor.vue'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { words } from '../words'
import ItemHistory from './ItemHistory.vue'
import ParentPicker from './ParentPicker.vue'
import WhyHere from './WhyHere.vue'

/** An item beside what one was looking at, or as a whole page: all its fields, what is inside it, what happened. */
const props = defineProps<{
  itemKey: string
  whole?: boolean
  /** The view that one looks at beside it. */
  view?: View
  definition?: ViewDefinition
}>()
const emit = defineEmits<{ close: []; open: [key: string] }>()
const changes = useChanges()
const directory = useDirectory()
const watched = useQuery('item', () => ({ key: props.itemKey }))
const found = computed(() => watched.answer.value)
const row = computed(() => found.value?.row)
const item = computed(() => row.value?.item)
const fields = computed(() => (item.value ? directory.fields(item.value.project) : []))
const editorOf = (field: Field) => fieldParts[field.type].editor
const isPanel = (field: Field) => editorOf(field) === 'panel'
const short = computed(() => fields.value.filter((field) => !isPanel(field)))
const long = computed(() => fields.value.filter((field) => isPanel(field)))
const kind = computed(() => directory.reader.maybe('kind', item.value?.kind ?? ''))
const status = computed(() => directory.reader.maybe('status', item.value?.status ?? ''))
const mayEdit = computed(() => !!item.value && directory.may('change items', item.value.project))
const project = computed(() => directory.reader.maybe('project', item.value?.project ?? ''))
const days = computed(() =>
  item.value
    ? dayNumber(directory.today) - dayNumber(dateIn(directory.reader.workspace().timeZone, item.value.statusSince))
    : 0,
)
const isOver = computed(() => status.value?.phase === 'finished' || status.value?.phase === 'dropped')
const turnNames = computed(
  () => row.value?.turn.map((id) => directory.reader.names.person(id) ?? '').join(' and ') ?? '',
)

/** Which value is being edited, and where its editor hangs. */
const editing = ref<{ field: Field; at: HTMLElement }>()
const choosing = ref<{ what: 'status' | 'kind' | 'parent'; at: HTMLElement }>()
const title = ref('')
const isTitleOpen = ref(false)
/** The title that the change is made from, whatever comes meanwhile. */
let titleFrom = ''
watch(
  () => props.itemKey,
  () => {
    editing.value = choosing.value = undefined
    isTitleOpen.value = false
  },
)

function edit(field: Field, event: Event): void {
  if (!mayEdit.value || !item.value) return
  const at = event.currentTarget as HTMLElement
  if (editorOf(field) === 'tick')
    void setValue(
      changes,
      item.value,
      field.id,
      item.value.values[field.id] ?? null,
      item.value.values[field.id] ? null : true,
    )
  else editing.value = { field, at }
}
function endEdit(): void {
  const at = editing.value?.at
  editing.value = undefined
  requestAnimationFrame(() => at?.focus())
}
function choose(what: 'status' | 'kind' | 'parent', event: Event): void {
  if (mayEdit.value) choosing.value = { what, at: event.currentTarget as HTMLElement }
}
function chosen(id: string | null): void {
  const what = choosing.value?.what
  endChoosing()
  if (what && item.value && id !== item.value[what]) void setValue(changes, item.value, what, item.value[what], id)
}
function endChoosing(): void {
  const at = choosing.value?.at
  choosing.value = undefined
  requestAnimationFrame(() => at?.focus())
}
function openTitle(): void {
  if (!mayEdit.value || !item.value) return
  title.value = titleFrom = item.value.title
  isTitleOpen.value = true
}
async function saveTitle(): Promise<void> {
  if (!isTitleOpen.value || !item.value) return
  const to = title.value.trim()
  isTitleOpen.value = false
  if (to !== titleFrom) await setValue(changes, item.value, 'title', titleFrom, to)
}

const newInside = ref('')
async function addInside(): Promise<void> {
  const text = newInside.value.trim()
  const first = item.value && startOfKind(directory.reader, item.value.kind)
  if (!text || !item.value || !first) return
  newInside.value = ''
  const one = {
    item: v7() as ItemId,
    project: item.value.project,
    kind: item.value.kind,
    title: text,
    status: first.id,
    parent: item.value.id,
    values: {},
  }
  const isBegun = await changes.send({ type: 'items.add', items: [one] })
  if (!isBegun) newInside.value = text
}

async function copyAddress(): Promise<void> {
  const address = `${location.origin}/app/items/${row.value?.address}`
  try {
    await navigator.clipboard.writeText(address)
  } catch {
    // Outside a secure context there is no clipboard: the old way still copies.
    const area = document.body.appendChild(document.createElement('textarea'))
    area.value = address
    area.select()
    document.execCommand('copy')
    area.remove()
  }
  changes.say(words.item.copied)
}
const archive = () =>
  item.value && changes.send({ type: 'items.archive', items: [item.value.id], archived: !item.value.archived })
</script>

<template>
  <aside class="panel" :class="{ whole }" :aria-label="words.item.panel" @keydown.esc="emit('close')">
    <p v-if="watched.answer.value === undefined" class="soft">{{ words.item.noItem }}</p>
    <template v-else-if="row && item && project">
      <div class="path">
        <span class="num">{{ row.key }}</span>
        <button
          type="button"
          class="quiet"
          :disabled="!mayEdit"
          :aria-label="`${words.item.kind}: ${kind?.name}`"
          @click="choose('kind', $event)"
        >
          <KindMark v-if="kind" :name="kind.name" :icon="kind.icon" />
        </button>
        <span v-if="item.archived" class="late">{{ words.item.archived }}</span>
        <span class="acts">
          <button
            type="button"
            :aria-label="words.item.copyAddress"
            :title="words.item.copyAddress"
            @click="copyAddress"
          >
            <svg viewBox="0 0 24 24"><path :d="mdiLinkVariant" /></svg>
          </button>
          <RouterLink
            v-if="!whole"
            :to="`/app/items/${row.address}`"
            :aria-label="words.item.wholePage"
            :title="words.item.wholePage"
            ><svg viewBox="0 0 24 24"><path :d="mdiArrowExpand" /></svg
          ></RouterLink>
          <button type="button" :aria-label="words.frame.close" @click="emit('close')">
            <svg viewBox="0 0 24 24"><path :d="mdiClose" /></svg>
          </button>
        </span>
      </div>
      <nav v-if="row.path.length" class="path" :aria-label="words.item.parent">
        <template v-for="(parent, i) in row.path" :key="parent.id"
          ><span v-if="i"> › </span
          ><button type="button" class="link" @click="emit('open', parent.key)">{{ parent.title }}</button></template
        >
      </nav>
      <textarea
        v-if="isTitleOpen"
        v-model="title"
        class="title"
        rows="2"
        maxlength="600"
        :aria-label="words.table.title"
        autofocus
        @keydown.enter.prevent="saveTitle"
        @keydown.esc.stop="isTitleOpen = false"
        @blur="saveTitle"
      />
      <h2 v-else>
        <button type="button" class="heading" :disabled="!mayEdit" @click="openTitle">{{ item.title }}</button>
      </h2>
      <WhyHere
        v-if="view && definition && view.project === item.project"
        :item-key="itemKey"
        :changed="`${item.changed} ${row.v}`"
        :view="view"
        :definition="definition"
      />
      <dl class="facts">
        <dt>{{ words.item.status }}</dt>
        <dd>
          <button
            type="button"
            class="value"
            :disabled="!mayEdit"
            :aria-label="`${words.item.status}: ${status?.name}`"
            @click="choose('status', $event)"
          >
            <StatusText :status="item.status" /> <span class="soft">{{ words.item.since(days) }}</span>
          </button>
        </dd>
        <dt>{{ words.item.turn }}</dt>
        <dd class="plain">
          <PersonPebbles :people="row.turn" />
          <span :class="{ soft: !turnNames }">{{ turnNames || (isOver ? words.item.over : words.item.nobody) }}</span>
        </dd>
        <template v-for="field in short" :key="field.id">
          <dt :title="field.help">{{ field.name }}</dt>
          <dd>
            <FieldEditor
              v-if="editing?.field.id === field.id"
              :field="field"
              :item="item"
              :anchor="editing.at"
              @leave="endEdit"
            />
            <button
              v-show="editing?.field.id !== field.id || editorOf(field) === 'list'"
              type="button"
              class="value"
              :disabled="!mayEdit"
              :role="editorOf(field) === 'tick' ? 'checkbox' : undefined"
              :aria-checked="editorOf(field) === 'tick' ? !!item.values[field.id] : undefined"
              :aria-label="words.editor.edit(field.name)"
              @click="edit(field, $event)"
            >
              <span v-if="editorOf(field) === 'tick'" class="box" :class="{ yes: item.values[field.id] }">{{
                item.values[field.id] ? '✓' : ''
              }}</span>
              <ValueText
                v-else-if="item.values[field.id] !== undefined"
                :field="field"
                :item="item"
                :late="row.late"
                named
              />
              <span v-else class="soft">{{ words.editor.empty }}</span>
              <span v-if="field.id === project.uses.due && row.late" class="soft">{{
                dayWords(String(item.values[field.id]), directory.language, directory.today)
              }}</span>
            </button>
          </dd>
        </template>
        <dt>{{ words.item.parent }}</dt>
        <dd>
          <button
            type="button"
            class="value"
            :disabled="!mayEdit"
            :aria-label="words.editor.edit(words.item.parent)"
            @click="choose('parent', $event)"
          >
            <span :class="{ soft: !row.path.length }">{{ row.path.at(-1)?.title ?? words.item.noParent }}</span>
          </button>
        </dd>
      </dl>
      <LongTextEditor
        v-for="field in long"
        :key="`${item.id} ${field.id}`"
        :item="item"
        :field="field"
        :may-edit="mayEdit"
      />
      <section>
        <h3>
          {{ words.item.inside }} <span>{{ found?.inside.length ? words.tally.items(found.inside.length) : '' }}</span>
        </h3>
        <button
          v-for="child in found?.inside ?? []"
          :key="child.item.id"
          type="button"
          class="line"
          @click="emit('open', child.address)"
        >
          <LeafMark
            :share="directory.share(directory.reader.maybe('status', child.item.status)!)"
            :colour="directory.reader.maybe('status', child.item.status)?.colour"
            :title="directory.reader.maybe('status', child.item.status)?.name"
          />
          <span class="num soft">{{ child.key }}</span><span class="grow">{{ child.item.title }}</span
          ><PersonPebbles :people="child.turn" />
        </button>
        <form v-if="mayEdit" @submit.prevent="addInside">
          <input
            v-model="newInside"
            class="new"
            :placeholder="words.item.addInside"
            :aria-label="words.item.addInside"
            maxlength="600"
          />
        </form>
      </section>
      <ItemHistory :item="item.id" :changed="item.changed" />
      <button v-if="mayEdit" type="button" class="link archive" @click="archive">
        {{ item.archived ? words.item.restore : words.item.archive }}
      </button>
      <PopMenu :at="choosing?.at" @close="endChoosing">
        <div v-if="choosing" class="pop">
          <ParentPicker v-if="choosing.what === 'parent'" :item="item" @choose="chosen" @leave="endChoosing" />
          <ChoiceList
            v-else
            :choices="
              choosing.what === 'status'
                ? statusChoices(directory, item.project, item.kind)
                : kindChoices(directory, item.project)
            "
            :chosen="[item[choosing.what]]"
            :label="words.item[choosing.what]"
            @choose="chosen"
            @leave="endChoosing"
          />
        </div>
      </PopMenu>
    </template>
  </aside>
</template>

<style scoped>
.panel {
  grid-column: 3;
  grid-row: 2;
  width: 392px;
  border-left: 1px solid var(--rule-strong);
  background: var(--raised);
  padding: 14px 20px;
  overflow: auto;
  display: flex;
  flex-direction: column;
  gap: 11px;
}
.whole {
  width: 100%;
  max-width: 760px;
  height: 100%;
  margin: 0 auto;
  border: 0;
  padding: 24px;
}
.path {
  font-size: 12px;
  color: var(--soft);
  display: flex;
  gap: 8px;
  align-items: center;
  flex-wrap: wrap;
}
nav.path .link {
  min-height: 24px;
}
nav.path {
  gap: 4px;
  margin-top: -6px;
}
.acts {
  margin-left: auto;
  display: flex;
  gap: 6px;
}
.acts > * {
  min-width: 24px;
  min-height: 24px;
  display: grid;
  place-items: center;
}
.quiet {
  min-height: 24px;
}
.line {
  min-height: 26px;
}
.acts svg {
  width: 16px;
  height: 16px;
  fill: var(--soft);
  display: block;
}
.acts > *:hover svg {
  fill: var(--ink);
}
h2 {
  font: 600 21px/1.2 var(--serif);
  letter-spacing: -0.01em;
  overflow-wrap: anywhere;
}
.heading:not(:disabled) {
  cursor: text;
}
button:disabled {
  cursor: default;
}
.title {
  font: 600 21px/1.2 var(--serif);
  border: 0;
  box-shadow: inset 0 0 0 2px var(--leaf);
  border-radius: 3px;
  background: var(--paper);
  padding: 4px 6px;
  resize: vertical;
  outline: none;
}
.facts {
  display: grid;
  grid-template-columns: 92px minmax(0, 1fr);
  gap: 1px 10px;
  margin: 0;
}
dt {
  line-height: 26px;
  color: var(--soft);
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
dt::first-letter {
  text-transform: uppercase;
}
dd {
  margin: 0;
  min-width: 0;
}
.plain {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 26px;
}
.value {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  align-items: center;
  min-height: 26px;
  width: calc(100% + 8px);
  padding: 2px 4px;
  margin: 0 -4px;
  border-radius: 3px;
}
.value:not(:disabled):hover {
  background: var(--sunk);
}
.box {
  width: 14px;
  height: 14px;
  border: 1.5px solid var(--edge);
  border-radius: 3px;
  display: grid;
  place-items: center;
  font-size: 11px;
  line-height: 1;
  color: var(--paper);
}
.box.yes {
  background: var(--lichen);
}
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
.archive {
  align-self: start;
  font-size: 12.5px;
}
@media (max-width: 700px) {
  .panel {
    grid-column: 1;
    grid-row: 1 / 3;
    width: 100%;
    border: 0;
  }
}
</style>
