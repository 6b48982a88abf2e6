<script setup lang="ts">
import { computed, shallowRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { printDecimal } from '#core/base/decimals'
import { roomOf } from '#core/board/columns'
import { answerIn } from '#core/questions/page-seed'
import type { Answers, BoardColumnAnswer, Sums } from '#core/questions/questions'
import AppFrame from '../../../frame/AppFrame.vue'
import ItemPanel from '../../../frame/ItemPanel.vue'
import ViewSentence from '../../../frame/ViewSentence.vue'
import type { TotalValues } from '#core/views/totals'
import { useWording } from '../../../frame/phrases/wording'
import { totalText } from '../../../parts/group-words'
import { pageSeed } from '../../../replica/page-seed'
import { useDirectory } from '../../../stores/directory'
import { useViews } from '../../../stores/views'
import { words } from '../../../words'
import BoardLayout from '../../../view-layouts/board/BoardLayout.vue'
import TableLayout from '../../../view-layouts/table/TableLayout.vue'

/** A saved view of a project: the sentence above, the layout below, an item beside. */
const route = useRoute()
const router = useRouter()
const directory = useDirectory()
const views = useViews()
const project = computed(() => directory.byPrefix(String(route.params.prefix)))
const view = computed(() => directory.reader.maybe('view', String(route.params.view)))
const definition = computed(() => view.value && views.definitionOf(view.value))
/** The layout says them; where the page was drawn on the server they stand before it does. */
const first = answerIn(pageSeed(), { ask: 'view', view: String(route.params.view) }) as Answers['view']
const sums = shallowRef<Sums | undefined>(first?.sums)
const totals = shallowRef<TotalValues>([])
const wording = useWording(() => project.value?.id)
/** How many items and what effort there is stands in the tally in any case. */
const totalTexts = computed(() => {
  const told = wording.value
  if (!told || !definition.value) return []
  return definition.value.totals.flatMap((total, i) =>
    total.name === 'count' ? [] : [totalText(total, totals.value[i], told)],
  )
})
const columns = shallowRef<readonly BoardColumnAnswer[]>([])
const openKey = computed(() => (typeof route.query.item === 'string' ? route.query.item : undefined))
const effort = computed(() => {
  const settings = directory.reader.maybe('field', project.value?.uses.effort ?? '')?.settings
  return sums.value && settings
    ? `${printDecimal(sums.value.effort, settings.decimals ?? 0)} ${settings.unit ?? ''}`
    : ''
})
const over = computed(() => {
  const board = project.value && directory.board(project.value.id)
  return (board?.definition.columns ?? []).flatMap((column) => {
    const held = columns.value.find((one) => one.column === column.id)?.held ?? 0
    const room = roomOf(held, column.limit)
    return room.is === 'over' ? [words.tally.over(column.name, room.by)] : []
  })
})
const open = (key: string | undefined) => void router.push({ query: key ? { item: key } : {} })
/** Walking the rows while an item is open takes the panel along. */
const walk = (key: string) => {
  if (openKey.value && openKey.value !== key) void router.replace({ query: { item: key } })
}
</script>

<template>
  <AppFrame>
    <template #sentence>
      <ViewSentence v-if="view && definition" :view="view" :definition="definition" :count="sums?.items" />
      <h1 v-else class="gone">{{ project ? words.view.noView : words.view.noSuchProject }}</h1>
    </template>
    <template v-if="project && view && definition && view.project === project.id">
      <BoardLayout
        v-if="definition.layout === 'board'"
        :key="`board ${view.id}`"
        :project="project"
        :view="view"
        :definition="definition"
        @sums="((sums = $event), (totals = []))"
        @columns="columns = $event"
        @open="open"
      />
      <TableLayout
        v-else
        :key="`table ${view.id}`"
        :project="project"
        :view="view"
        :definition="definition"
        @sums="(told, its) => ((sums = told), (totals = its), (columns = []))"
        @open="open"
        @walk="walk"
      />
    </template>
    <template v-if="openKey" #panel
      ><ItemPanel :item-key="openKey" :view="view" :definition="definition" @close="open(undefined)" @open="open"
    /></template>
    <template #tally>
      <span v-if="sums"
        ><b>{{ sums.items }}</b> {{ words.tally.itemsWord(sums.items)
        }}<template v-if="effort">
          · <b>{{ effort }}</b></template
        ><template v-if="sums.late">
          · <span class="rust">{{ words.tally.late(sums.late) }}</span></template
        ></span
      >
      <span v-for="one in totalTexts" :key="one" class="soft">{{ one }}</span>
      <span v-for="one in over" :key="one" class="rust"
        ><b>{{ one }}</b></span
      >
    </template>
  </AppFrame>
</template>

<style scoped>
.gone {
  font: 500 20px/1.2 var(--serif);
}
</style>
