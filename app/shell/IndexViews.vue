<script setup lang="ts">
import { computed, shallowRef } from 'vue'
import { useRoute } from 'vue-router'
import { mdiDotsHorizontal } from '@mdi/js'
import { VListItem, VListSubheader } from 'vuetify/components/VList'
import { viewSections } from '#core/model/listed-views'
import type { Project, View } from '#core/model/records'
import { isOwn, useDirectory } from '../data/directory'
import IconButton from '../parts/IconButton.vue'
import { LayoutSign } from '../parts/layout-signs'
import { asksForMenu } from '../parts/menu-place'
import { followRowDrag, type RowDrag } from '../parts/row-drag'
import { useViewOrder } from './use-view-order'
import { frameWords } from './words'

/** A project's views in the index: the shared ones by their headings, then one's own. A drag or Alt and an arrow orders them. */
const props = defineProps<{ project: Project }>()
const emit = defineEmits<{ menu: [view: View, event: MouseEvent | KeyboardEvent] }>()
const directory = useDirectory()
const route = useRoute()
const { move, put } = useViewOrder()
const views = computed(() => directory.views(props.project.id))
const sections = computed(() => {
  const own = views.value.filter(isOwn)
  const shared = viewSections(views.value.filter((view) => !isOwn(view)))
  return own.length ? [...shared, { heading: frameWords.onlyMine, views: own }] : shared
})
const addressOf = (view: View) => `/app/${props.project.prefix}/${view.id}`
const here = (view: View): 'page' | undefined => (route.path === addressOf(view) ? 'page' : undefined)

const drag = shallowRef<RowDrag>()
/** Those that a view is ordered with. */
const fellows = (view: View) => views.value.filter((one) => isOwn(one) === isOwn(view))
/** Before or after which view the dragged one would stand. */
const target = computed(() => {
  const dragged = drag.value && directory.reader.maybe('view', drag.value.id)
  const all = dragged ? fellows(dragged) : []
  return { before: all[drag.value?.to ?? -1]?.id, end: drag.value?.to === all.length ? all.at(-1)?.id : undefined }
})
function startDrag(event: PointerEvent, view: View): void {
  if (!directory.mayKeep(view)) return
  const list = (event.currentTarget as HTMLElement).closest('section')
  followRowDrag(event, {
    rows: fellows(view),
    row: view,
    lines: () => fellows(view).flatMap(({ id }) => list?.querySelector<HTMLElement>(`[data-view="${id}"]`) ?? []),
    show: (now) => (drag.value = now),
    order: (row, before) => put(row, before, fellows(view)),
  })
}
function onKey(event: KeyboardEvent, view: View): void {
  if (asksForMenu(event)) return emit('menu', view, event)
  const by = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 1 : 0
  if (!event.altKey || !by) return
  event.preventDefault()
  event.stopPropagation()
  move(view, by, fellows(view))
}
</script>

<template>
  <template v-for="section in sections" :key="section.heading ?? ''">
    <VListSubheader v-if="section.heading" :title="section.heading" />
    <div
      v-for="view in section.views"
      :key="view.id"
      class="line"
      :data-view="view.id"
      :class="{ dragged: drag?.id === view.id, before: target.before === view.id, end: target.end === view.id }"
    >
      <VListItem
        :to="addressOf(view)"
        :active="!!here(view)"
        :aria-current="here(view)"
        draggable="false"
        @contextmenu="emit('menu', view, $event)"
        @keydown="onKey($event, view)"
        @pointerdown="startDrag($event, view)"
      >
        <span class="named" :title="view.about || view.name"
          ><LayoutSign :layout="view.definition.layout" /><span class="one-line">{{ view.name }}</span></span
        >
      </VListItem>
      <IconButton
        class="more"
        tabindex="-1"
        aria-haspopup="menu"
        :icon="mdiDotsHorizontal"
        :label="frameWords.acts(view.name)"
        @click="emit('menu', view, $event)"
      />
    </div>
  </template>
</template>

<style scoped>
.named {
  display: flex;
  gap: 8px;
  align-items: center;
  min-width: 0;
}
.line {
  position: relative;
}
.line .more {
  position: absolute;
  right: 2px;
  top: 1px;
  width: 24px;
  height: 24px;
  background: var(--sunk);
  opacity: 0;
}
.line:hover .more,
.more:focus-visible,
.more[aria-expanded='true'] {
  opacity: 1;
}
.dragged {
  opacity: 0.5;
}
.before {
  box-shadow: 0 -2px 0 var(--leaf);
}
.end {
  box-shadow: 0 2px 0 var(--leaf);
}
@media (hover: none) {
  .line .more {
    opacity: 1;
  }
}
</style>
