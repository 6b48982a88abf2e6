<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { mdiChevronLeft, mdiChevronRight, mdiClose, mdiDotsHorizontal } from '@mdi/js'
import { VBtn } from 'vuetify/components/VBtn'
import { VIcon } from 'vuetify/components/VIcon'
import { VList, VListItem } from 'vuetify/components/VList'
import ActMenu, { type Act } from '../parts/ActMenu.vue'
import IconButton from '../parts/IconButton.vue'
import { asksForMenu } from '../parts/menu-place'
import { followRowDrag, type RowDrag } from '../parts/row-drag'
import type { Project, View } from '#core/model/records'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { usePreferences } from '../data/preferences'
import { useSession } from '../data/session'
import { projectWords } from './project-words'
import { frameWords } from './words'
import { PersonPebble } from '../parts/marks'
import WrenMark from '../parts/WrenMark.vue'
import { DeleteProject, KeepPattern, NameProject, NewProject } from './project-dialogs'
import { isShowingKeys } from './shortcuts'
import { ViewDialog } from '../sentence/editors'
import IndexViews from './IndexViews.vue'
import { useProjectActs } from './use-project-acts'
import ViewMenu from './ViewMenu.vue'

/** The table of contents: my queue, then the projects, each with its views, the team's first. */
defineProps<{ folded: boolean }>()
const emit = defineEmits<{ fold: []; close: [] }>()
const directory = useDirectory()
const changes = useChanges()
const session = useSession()
const preferences = usePreferences()
const route = useRoute()
const router = useRouter()
const viewMenu = shallowRef<{ project: Project; view: View } & ReturnType<typeof placeOf>>()
function openViewMenu(project: Project, view: View, event: MouseEvent | KeyboardEvent): void {
  event.preventDefault()
  viewMenu.value = { project, view, ...placeOf(event) }
}
/** In which project a view is to be made. */
const begun = shallowRef<Project>()
const isStarting = ref(false)
const mayStart = computed(() => directory.may('start projects'))
const here = (path: string): 'page' | undefined => (route.path === path ? 'page' : undefined)

const isFolded = ({ id }: Project) => preferences.own.folded.includes(id)
function fold(project: Project): void {
  const others = preferences.own.folded.filter((id) => id !== project.id)
  void preferences.choose({ folded: isFolded(project) ? others : [...others, project.id] }, true)
}
/** A project that is dragged, and before which it would come. */
const drag = shallowRef<RowDrag>()
const order = ({ id }: Project, before: Project | null): void =>
  void changes.send({ type: 'project.order', target: id, before: before?.id ?? null })
function startDrag(event: PointerEvent, project: Project): void {
  if (!directory.may('set up project', project.id)) return
  const drawn = event.currentTarget as HTMLElement
  followRowDrag(event, {
    rows: directory.projects,
    row: project,
    lines: () => [...(drawn.closest('.contents')?.querySelectorAll<HTMLElement>('[data-project]') ?? [])],
    show: (now) => (drag.value = now),
    order,
  })
}
/** By Alt and an arrow a project goes up or down. */
function onProjectKey(event: KeyboardEvent, project: Project): void {
  if (asksForMenu(event)) return openMenu(frameWords.acts(project.name), projectActs(project), event)
  const by = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 2 : 0
  if (!event.altKey || !by || !directory.may('set up project', project.id)) return
  event.preventDefault()
  const all = directory.projects
  const at = all.indexOf(project) + by
  if (at >= 0 && at <= all.length) order(project, all[at] ?? null)
}

const menu = ref<{
  acts: readonly Act[]
  label: string
  at: HTMLElement
  point?: [number, number] | undefined
  above?: boolean
}>()
function placeOf(event: MouseEvent | KeyboardEvent): { at: HTMLElement; point?: [number, number] } {
  const isPointer = event.type === 'contextmenu' && (event as MouseEvent).button === 2
  const at = event.currentTarget as HTMLElement
  return { at, ...(isPointer && { point: [(event as MouseEvent).clientX, (event as MouseEvent).clientY] }) }
}
function openMenu(label: string, acts: readonly Act[], event: MouseEvent | KeyboardEvent): void {
  event.preventDefault()
  menu.value = { label, acts, ...placeOf(event) }
}
const named = shallowRef<Project>()
const erased = shallowRef<Project>()
const kept = shallowRef<Project>()
const {
  acts: projectActs,
  restoring,
  opening,
} = useProjectActs(
  (project) => (named.value = project),
  (project) => (kept.value = project),
  (project) => (erased.value = project),
  (project) => (begun.value = project),
)
const archived = computed(restoring)
const patterns = computed(opening)
/** What is kept as a pattern is listed while it is open. */
const listed = computed(() => [
  ...directory.projects,
  ...directory.patterns.filter(({ prefix }) => route.path.startsWith(`/app/${prefix}/`)),
])
const ownActs = (): Act[] => [
  { label: frameWords.settings, do: () => void router.push('/app/settings') },
  ...(directory.may('make owners') ? [{ label: frameWords.outbox, do: () => void router.push('/app/outbox') }] : []),
  {
    label: preferences.night ? frameWords.day : frameWords.night,
    do: () => void preferences.choose({ theme: preferences.night ? 'day' : 'night' }),
  },
  { label: frameWords.shortcuts, keys: '?', do: () => (isShowingKeys.value = true) },
  { label: frameWords.signOut, do: () => void session.signOut() },
]
</script>

<template>
  <div class="index" :class="{ folded }">
    <div class="mark">
      <RouterLink to="/app" class="home"
        ><WrenMark /><span v-if="!folded">{{ frameWords.app }}</span></RouterLink
      >
      <IconButton
        class="fold"
        :icon="folded ? mdiChevronRight : mdiChevronLeft"
        :label="folded ? frameWords.unfold : frameWords.fold"
        @click="emit('fold')"
      />
      <IconButton class="close" :icon="mdiClose" :label="frameWords.close" @click="emit('close')" />
    </div>
    <VList v-if="!folded" class="contents" nav tag="div" role="none" tabindex="-1">
      <VListItem to="/app" :active="!!here('/app')" :aria-current="here('/app')" :title="frameWords.myQueue">
        <template v-if="directory.inTurn" #append>{{ directory.inTurn }}</template>
      </VListItem>
      <VListItem
        to="/app/people"
        :active="!!here('/app/people')"
        :aria-current="here('/app/people')"
        :title="frameWords.people"
      />
      <section
        v-for="(project, at) in listed"
        :key="project.id"
        data-project
        :aria-label="project.name"
        :class="{
          dragged: drag?.id === project.id,
          before: drag?.to === at,
          end: drag?.to === at + 1 && at === directory.projects.length - 1,
        }"
      >
        <h3>
          <button
            type="button"
            class="name"
            :aria-expanded="!isFolded(project)"
            :title="project.name"
            @click="fold(project)"
            @keydown="onProjectKey($event, project)"
            @pointerdown="startDrag($event, project)"
          >
            <span class="one-line">{{ project.name }}</span> <span class="soft prefix">{{ project.prefix }}</span>
            <VIcon v-if="isFolded(project)" class="is-folded" size="14" :icon="mdiChevronRight" />
          </button>
          <IconButton
            v-if="projectActs(project).length"
            class="more"
            :icon="mdiDotsHorizontal"
            :label="frameWords.acts(project.name)"
            aria-haspopup="menu"
            @click="openMenu(frameWords.acts(project.name), projectActs(project), $event)"
          />
        </h3>
        <IndexViews
          v-if="!isFolded(project)"
          :project="project"
          @menu="(view, event) => openViewMenu(project, view, event)"
        />
      </section>
      <VBtn v-if="mayStart" class="start" @click="isStarting = true">{{ frameWords.newProject }}</VBtn>
      <VBtn
        v-if="archived.length"
        class="start again"
        aria-haspopup="menu"
        @click="openMenu(projectWords.archived, archived, $event)"
        >{{ projectWords.archived }}</VBtn
      >
      <VBtn
        v-if="mayStart && patterns.length"
        class="start again"
        aria-haspopup="menu"
        @click="openMenu(projectWords.patterns, patterns, $event)"
        >{{ projectWords.patterns }}</VBtn
      >
    </VList>
    <VBtn
      v-if="directory.me"
      class="me"
      aria-haspopup="menu"
      :aria-label="frameWords.menuOf(directory.me.name)"
      @click="(openMenu(frameWords.menuOf(directory.me.name), ownActs(), $event), menu && (menu.above = true))"
    >
      <PersonPebble :person="directory.me" aria-hidden="true" /><span v-if="!folded" class="one-line">{{
        directory.me.name
      }}</span>
    </VBtn>
    <ActMenu v-if="menu" v-bind="menu" @close="menu = undefined" />
    <ViewMenu v-if="viewMenu" v-bind="viewMenu" @close="viewMenu = undefined" />
    <ViewDialog v-if="begun" :project="begun" @leave="begun = undefined" />
    <NewProject v-model="isStarting" />
    <NameProject v-model="named" />
    <KeepPattern v-model="kept" />
    <DeleteProject v-model="erased" />
  </div>
</template>

<style scoped>
.index {
  height: 100%;
  padding: 14px 10px 10px;
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.mark {
  display: flex;
  align-items: center;
  padding: 0 0 10px 6px;
}
.home {
  display: flex;
  align-items: center;
  gap: 8px;
  font: var(--type-name);
  letter-spacing: -0.01em;
  text-decoration: none;
  min-height: var(--target);
}
.fold,
.close {
  margin-left: auto;
}
.fold {
  opacity: 0;
}
.mark:hover .fold,
.fold:focus-visible,
.folded .fold {
  opacity: 1;
}
.close {
  display: none;
}
.folded .mark {
  flex-direction: column;
  gap: 8px;
  padding: 0;
}
.folded .fold {
  margin: 0;
}
.contents {
  flex: 1;
  overflow: auto;
  min-height: 0;
  padding: 0;
  background: transparent;
}
h3 {
  font: var(--type-section);
  padding: 10px 0 0 8px;
  display: flex;
  gap: 6px;
  align-items: center;
}
.name {
  display: flex;
  gap: 6px;
  align-items: center;
  min-width: 0;
  min-height: var(--target);
  border-radius: var(--round);
  user-select: none;
}
.is-folded {
  color: var(--soft);
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
.prefix {
  font: var(--type-aside);
}
.more {
  margin-left: auto;
  opacity: 0;
}
h3:hover .more,
.more:focus-visible,
.more[aria-expanded='true'] {
  opacity: 1;
}
.start {
  margin-top: 14px;
  color: var(--soft);
  display: flex;
  justify-content: start;
  width: 100%;
  padding: 0 8px;
}
.start.again {
  margin-top: 0;
}
.me {
  margin-top: auto;
  justify-content: start;
  flex: none;
  padding: 0 8px;
}
.me :deep(.v-btn__content) {
  gap: 8px;
  min-width: 0;
}
.folded .me {
  padding: 0;
  min-width: 0;
}
@media (hover: none) {
  .more {
    opacity: 1;
  }
}
@media (max-width: 700px) {
  .close {
    display: grid;
  }
  .fold {
    display: none;
  }
}
</style>
