<script setup lang="ts">
import { computed, nextTick, onBeforeUnmount, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { VBtn } from 'vuetify/components/VBtn'
import { figuresOf } from '#core/fields/registry'
import { answerIn } from '#core/queries/page-seed'
import AppFrame from '../../../shell/AppFrame.vue'
import { ViewMenu } from '../../../shell/around'
import { ItemPanel } from '../../../item/panel'
import { TriedAs } from '../../../sentence/editors'
import ViewSentence from '../../../sentence/ViewSentence.vue'
import { useWording } from '../../../data/wording'
import { totalText } from '../../../parts/group-names'
import { pageSeed } from '../../../data/page-seed'
import { useDirectory } from '../../../data/directory'
import { useViews } from '../../../data/views'
import { grouped } from '../../../counted'
import { tallyWords } from '../../../shell/words'
import { viewWords } from '../../../view-layouts/words'
import type { Tally } from '../../../view-layouts/contract'
import { layoutParts } from '../../../view-layouts/registry'
import { SelectionBar } from '../../../view-layouts/selection/bar'
import { useSelection } from '../../../data/selection'
import { useThrough } from '../../../data/through'

/** A saved view of a project: the sentence above, the layout below, an item beside. */
const route = useRoute()
const router = useRouter()
const directory = useDirectory()
const views = useViews()
const selection = useSelection()
const through = useThrough()
const project = computed(() => directory.byPrefix(String(route.params.prefix)))
const view = computed(() => directory.reader.maybe('view', String(route.params.view)))
const definition = computed(() => view.value && views.definitionOf(view.value))
/** The layout says it; where the page was drawn on the server it stands before the layout does. */
const first = answerIn(pageSeed(), 'view', { view: String(route.params.view) })
const tally = shallowRef<Tally | undefined>(
  first && { sums: first.sums, ...('totals' in first && { totals: first.totals }) },
)
function take(now: Tally): void {
  const { sums, totals, warnings = [] } = tally.value ?? {}
  // What came along is said once more by the layout: nothing is drawn again for it.
  if (now.sums !== sums || now.totals !== totals || (now.warnings ?? []).join() !== warnings.join()) tally.value = now
}
watch(() => view.value?.id, through.enter, { immediate: true })
onBeforeUnmount(() => through.enter(undefined))
const wording = useWording(() => project.value?.id)
/** Undefined where what was open is gone, or not to be seen any more: then nothing is left of what it said. */
const shown = computed(() =>
  project.value && view.value && definition.value && view.value.project === project.value.id && !view.value.archived
    ? { project: project.value, view: view.value, definition: definition.value }
    : undefined,
)
const binned = computed(() =>
  view.value?.archived && view.value.project === project.value?.id ? view.value : undefined,
)
/** Where what can be done with the view is listed. */
const menuAt = shallowRef<HTMLElement>()
const said = computed(() => shown.value && tally.value)
/** How many items and what effort there is, is said in the tally in any case. */
const totalTexts = computed(() => {
  const known = wording.value
  if (!known || !definition.value) return []
  return definition.value.totals.flatMap((total, i) =>
    total.name === 'count' ? [] : [totalText(total, tally.value?.totals?.[i], known)],
  )
})
const openKey = computed(() => (typeof route.query.item === 'string' ? route.query.item : undefined))
const effort = computed(() => {
  const field = directory.reader.maybe('field', project.value?.uses.effort ?? '')
  return tally.value && field ? figuresOf(field).say(tally.value.sums.effort) : ''
})
const open = (key: string | undefined) => void router.push({ query: key ? { item: key } : {} })
/** Escape closes the item from wherever one is in the view, and gives the keyboard back to its row or card. */
function escape(event: KeyboardEvent): void {
  if (!openKey.value || event.defaultPrevented) return
  open(undefined)
  void nextTick(() => {
    if (document.activeElement !== document.body) return
    document.querySelector<HTMLElement>('#main [role=gridcell][tabindex="0"], #main article')?.focus()
  })
}
/** Walking the rows while an item is open takes the panel along. */
const walk = (key: string) => {
  if (openKey.value && openKey.value !== key) void router.replace({ query: { item: key } })
}
</script>

<template>
  <AppFrame @keydown.esc="escape">
    <template #sentence>
      <ViewSentence
        v-if="shown"
        :view="shown.view"
        :definition="shown.definition"
        :count="said?.sums.items"
        @menu="menuAt = $event"
      />
      <div v-else-if="binned" class="ends">
        <h1 class="gone">{{ viewWords.inBin }}</h1>
        <VBtn v-if="directory.mayKeep(binned)" variant="outlined" @click="views.restoreFromBin(binned)">{{
          viewWords.restore
        }}</VBtn>
        <VBtn variant="plain" :to="`/app/${project?.prefix}/bin`">{{ viewWords.openBin }}</VBtn>
      </div>
      <h1 v-else class="gone">{{ project ? viewWords.noView : viewWords.noSuchProject }}</h1>
      <TriedAs v-if="through.as && shown" :view="shown.view" :person="through.as" />
      <ViewMenu
        v-if="menuAt && shown"
        :project="shown.project"
        :view="shown.view"
        :at="menuAt"
        @close="menuAt = undefined"
      />
    </template>
    <template v-if="shown">
      <component
        :is="layoutParts[shown.definition.layout]"
        :key="`${shown.definition.layout} ${shown.view.id}`"
        v-bind="shown"
        @tally="take"
        @open="open"
        @walk="walk"
      />
    </template>
    <template v-if="openKey" #panel
      ><ItemPanel :item-key="openKey" :view="view" :definition="definition" @close="open(undefined)" @open="open"
    /></template>
    <template #tally>
      <SelectionBar v-if="selection.count && shown" :project="shown.project" :view="shown.view" />
      <span v-if="said"
        ><b>{{ grouped(said.sums.items) }}</b> {{ tallyWords.itemsWord(said.sums.items)
        }}<template v-if="effort">
          · <b>{{ effort }}</b></template
        ><template v-if="said.sums.late">
          · <span class="rust">{{ tallyWords.late(said.sums.late) }}</span></template
        ></span
      >
      <span v-for="one in totalTexts" :key="one" class="soft">{{ one }}</span>
      <span v-for="one in said?.warnings" :key="one" class="rust"
        ><b>{{ one }}</b></span
      >
    </template>
  </AppFrame>
</template>

<style scoped>
/* Where there is little room, what is selected takes that of what there is. */
@media (max-width: 1000px) {
  .selection ~ span {
    display: none;
  }
}
.gone {
  font: var(--type-heading);
}
</style>
