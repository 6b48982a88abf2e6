<script setup lang="ts">
import { isWorkedOut } from '#core/fields/registry'
import { computed } from 'vue'
import { mdiArrowExpand, mdiClose, mdiLinkVariant } from '@mdi/js'
import { VBtn } from 'vuetify/components/VBtn'
import type { Field, View, ViewDefinition } from '#core/model/records'
import { useQuery } from '../data/use-query'
import { fieldsShownBy, inGroups, isShownBy } from '#core/model/shown-fields'
import { partsOf, ValueText } from '../parts/field-parts'
import { copyLink } from '../parts/copy'
import IconButton from '../parts/IconButton.vue'
import { KindMark } from '../parts/marks'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { useThrough } from '../data/through'
import { itemWords } from './words'
import { frameWords } from '../shell/words'
import ColumnButton from './ColumnButton.vue'
import ItemFacts from './ItemFacts.vue'
import ItemHistory from './ItemHistory.vue'
import ItemInside from './ItemInside.vue'
import ItemTitle from './ItemTitle.vue'
import LongTextEditor from './LongTextEditor.vue'
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
const through = useThrough()
const { answer: found } = useQuery('item', () => ({ key: props.itemKey }))
const row = computed(() => found.value?.row)
const item = computed(() => row.value?.item)
const isPanel = (field: Field) => partsOf(field).editor === 'panel'
const fields = computed(() => (kind.value ? fieldsShownBy(directory.reader, kind.value) : []))
/** What it holds and its kind does not show. */
const kept = computed(() =>
  item.value
    ? directory.fields(item.value.project).filter(({ id }) => item.value?.values[id] !== undefined && !isShownBy(kind.value, id)).filter((field) => !isWorkedOut(field)) // prettier-ignore
    : [],
)
const groups = computed(() => inGroups(fields.value.filter((field) => !isPanel(field)), kind.value)) // prettier-ignore
const long = computed(() => fields.value.filter(isPanel))
const kind = computed(() => directory.reader.maybe('kind', item.value?.kind ?? ''))
/** A fact of the item; without one: anything of it. */
const may = (key?: string): boolean => !!item.value && through.mayChange(item.value.project, key)
const mayEdit = computed(() => may())
const project = computed(() => directory.reader.maybe('project', item.value?.project ?? ''))

async function copyAddress(): Promise<void> {
  if (!row.value) return
  await copyLink(row.value.address)
  changes.say(itemWords.copied)
}
/** Into the bin, or back from it with what went there with it. */
const archive = (inside: boolean) =>
  item.value && changes.send({ type: 'items.archive', items: [item.value.id], archived: !item.value.archived, inside })
</script>

<template>
  <aside class="panel" :class="{ whole }" :aria-label="itemWords.panel" @keydown.esc.prevent="emit('close')">
    <p v-if="found === undefined" class="soft">{{ itemWords.noItem }}</p>
    <template v-else-if="row && item && project">
      <div class="path">
        <span class="num">{{ row.key }}</span>
        <ColumnButton
          class="quiet"
          :item="item"
          column="kind"
          :label="`${itemWords.kind}: ${kind?.name}`"
          :may-edit="may('kind')"
        >
          <KindMark v-if="kind" :name="kind.name" :icon="kind.icon" />
        </ColumnButton>
        <span v-if="item.archived" class="late">{{ itemWords.archived }}</span>
        <span class="acts">
          <IconButton :icon="mdiLinkVariant" :label="itemWords.copyAddress" @click="copyAddress" />
          <IconButton
            v-if="!whole"
            :icon="mdiArrowExpand"
            :label="itemWords.wholePage"
            :to="`/app/items/${row.address}`"
          />
          <IconButton :icon="mdiClose" :label="frameWords.close" @click="emit('close')" />
        </span>
      </div>
      <nav v-if="row.path.length" class="path" :aria-label="itemWords.parent">
        <template v-for="(parent, i) in row.path" :key="parent.id"
          ><span v-if="i"> › </span
          ><button type="button" class="link" @click="emit('open', parent.key)">{{ parent.title }}</button></template
        >
      </nav>
      <ItemTitle :item="item" :may-edit="may('title')" />
      <WhyHere
        v-if="view && definition && view.project === item.project"
        :item-key="itemKey"
        :changed="`${item.changed} ${row.v}`"
        :view="view"
        :definition="definition"
      />
      <ItemFacts :row="row" :project="project" :groups="groups" :may="may" @open="emit('open', $event)" />
      <details v-if="kept.length" class="kept">
        <summary>{{ itemWords.alsoKept(kept.length) }}</summary>
        <dl>
          <template v-for="field in kept" :key="field.id">
            <dt class="one-line soft">{{ field.name }}</dt>
            <dd><ValueText :field="field" :item="item" :late="0" named /></dd>
          </template>
        </dl>
      </details>
      <LongTextEditor
        v-for="field in long"
        :key="`${item.id} ${field.id}`"
        :item="item"
        :field="field"
        :may-edit="may(field.id)"
      />
      <ItemInside
        :item="item"
        :inside="found?.inside ?? []"
        :may-edit="through.mayAdd(item.project)"
        @open="emit('open', $event)"
      />
      <ItemHistory :item="item.id" :changed="item.changed" :may-edit="mayEdit" />
      <div class="ends archive">
        <template v-if="through.mayRemove(item.project)">
          <VBtn variant="plain" @click="archive(!!item.archived)">{{
            item.archived ? itemWords.restore : itemWords.archive
          }}</VBtn>
          <VBtn v-if="!item.archived && found?.inside.length" variant="plain" @click="archive(true)">{{
            itemWords.archiveWhole
          }}</VBtn>
        </template>
        <VBtn v-if="item.archived" variant="plain" :to="`/app/${project.prefix}/bin`">{{ itemWords.openBin }}</VBtn>
      </div>
    </template>
  </aside>
</template>

<style scoped>
.panel {
  height: 100%;
  padding: 14px 20px;
  overflow: auto;
  display: flex;
  flex-direction: column;
  gap: 11px;
}
.whole {
  max-width: 760px;
  margin: 0 auto;
  padding: 24px;
}
.path {
  font-size: var(--size-small);
  color: var(--soft);
  display: flex;
  gap: 8px;
  align-items: center;
  flex-wrap: wrap;
}
.kept summary {
  color: var(--soft);
  min-height: 24px;
  cursor: pointer;
}
.kept dl {
  display: grid;
  grid-template-columns: 92px minmax(0, 1fr);
  gap: 4px 10px;
  margin: 6px 0 0;
}
.kept dd {
  margin: 0;
  min-width: 0;
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
.path :deep(.quiet) {
  min-height: var(--target);
  min-width: var(--target);
}
.archive {
  align-self: start;
  font-size: var(--size-small);
}
</style>
