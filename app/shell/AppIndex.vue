<script setup lang="ts">
import { computed, ref } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { mdiChevronLeft, mdiChevronRight, mdiClose } from '@mdi/js'
import PopMenu from '../parts/PopMenu.vue'
import type { ProjectId } from '#core/model/records'
import { isOwn, useDirectory } from '../data/directory'
import { useSession } from '../data/session'
import { words } from '../words'
import { PersonPebble } from '../parts/marks'
import WrenMark from '../parts/WrenMark.vue'
import NewProject from './NewProject.vue'

/** The table of contents: my queue, then the projects, each with its views, the team's first. */
defineProps<{ folded: boolean }>()
const emit = defineEmits<{ fold: []; close: [] }>()
const directory = useDirectory()
const session = useSession()
const route = useRoute()
const isStarting = ref(false)
const isMenuOpen = ref(false)
const meButton = ref<HTMLElement>()
const mayStart = computed(() => directory.may('start projects'))
const here = (path: string): 'page' | undefined => (route.path === path ? 'page' : undefined)
const shared = (id: ProjectId) => directory.views(id).filter((view) => !isOwn(view))
const own = (id: ProjectId) => directory.views(id).filter(isOwn)
</script>

<template>
  <nav class="index" :class="{ folded }" :aria-label="words.frame.index">
    <div class="mark">
      <RouterLink to="/app" class="home"
        ><WrenMark /><span v-if="!folded">{{ words.name }}</span></RouterLink
      >
      <button
        class="fold"
        type="button"
        :aria-label="folded ? words.frame.unfold : words.frame.fold"
        @click="emit('fold')"
      >
        <svg viewBox="0 0 24 24"><path :d="folded ? mdiChevronRight : mdiChevronLeft" /></svg>
      </button>
      <button class="close" type="button" :aria-label="words.frame.close" @click="emit('close')">
        <svg viewBox="0 0 24 24"><path :d="mdiClose" /></svg>
      </button>
    </div>
    <div v-if="!folded" class="contents">
      <RouterLink to="/app" :aria-current="here('/app')"
        ><span>{{ words.frame.myQueue }}</span
        ><b v-if="directory.inTurn">{{ directory.inTurn }}</b></RouterLink
      >
      <section v-for="project in directory.projects" :key="project.id">
        <h3>
          {{ project.name }} <span class="soft prefix">{{ project.prefix }}</span>
        </h3>
        <RouterLink
          v-for="view in shared(project.id)"
          :key="view.id"
          :to="`/app/${project.prefix}/${view.id}`"
          :aria-current="here(`/app/${project.prefix}/${view.id}`)"
          ><span>{{ view.name }}</span></RouterLink
        >
        <template v-if="own(project.id).length">
          <div class="sub">{{ words.frame.onlyMine }}</div>
          <RouterLink
            v-for="view in own(project.id)"
            :key="view.id"
            :to="`/app/${project.prefix}/${view.id}`"
            :aria-current="here(`/app/${project.prefix}/${view.id}`)"
            ><span>{{ view.name }}</span></RouterLink
          >
        </template>
        <RouterLink
          v-if="directory.may('change items', project.id)"
          class="quiet"
          :to="`/app/${project.prefix}/bring-in`"
          :aria-current="here(`/app/${project.prefix}/bring-in`)"
          ><span>{{ words.frame.bringIn }}</span></RouterLink
        >
      </section>
      <button v-if="mayStart" type="button" class="quiet start" @click="isStarting = true">
        {{ words.frame.newProject }}
      </button>
    </div>
    <button
      v-if="directory.me"
      ref="meButton"
      type="button"
      class="me"
      aria-haspopup="menu"
      :aria-expanded="isMenuOpen"
      :aria-label="words.frame.menuOf(directory.me.name)"
      @click="isMenuOpen = !isMenuOpen"
    >
      <PersonPebble :person="directory.me" aria-hidden="true" /><span v-if="!folded">{{ directory.me.name }}</span>
    </button>
    <PopMenu :at="isMenuOpen ? meButton : undefined" above brief @close="isMenuOpen = false">
      <div class="pop menu">
        <button type="button" @click="session.setNight(!session.night)">
          {{ session.night ? words.frame.day : words.frame.night }}
        </button>
        <button type="button" @click="session.signOut()">{{ words.frame.signOut }}</button>
      </div>
    </PopMenu>
    <NewProject v-model="isStarting" />
  </nav>
</template>

<style scoped>
.index {
  background: var(--sunk);
  border-right: 1px solid var(--rule);
  padding: 14px 10px 10px;
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.mark {
  display: flex;
  align-items: center;
  padding: 0 6px 14px;
}
.home {
  display: flex;
  align-items: center;
  gap: 8px;
  font: 600 17px/1 var(--serif);
  letter-spacing: -0.01em;
  text-decoration: none;
}
.fold,
.close {
  margin-left: auto;
  opacity: 0;
  padding: 2px;
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
svg {
  width: 18px;
  height: 18px;
  fill: var(--soft);
  display: block;
}
.home svg {
  width: auto;
  height: auto;
}
.contents {
  flex: 1;
  overflow: auto;
  min-height: 0;
  display: flex;
  flex-direction: column;
  gap: 2px;
}
section {
  display: flex;
  flex-direction: column;
  gap: 2px;
}
.contents a,
.start {
  display: flex;
  align-items: baseline;
  gap: 8px;
  padding: 4px 8px;
  border-radius: 3px;
  text-decoration: none;
  white-space: nowrap;
}
a span:first-child {
  overflow: hidden;
  text-overflow: ellipsis;
}
a:hover,
.start:hover,
.me:hover {
  background: color-mix(in srgb, var(--raised) 55%, transparent);
}
a b {
  margin-left: auto;
  font-weight: 500;
  color: var(--soft);
}
.contents a[aria-current] {
  background: var(--raised);
  box-shadow: inset 0 0 0 1px var(--rule);
  font-weight: 600;
}
h3 {
  font: 600 13px/1.2 var(--serif);
  padding: 14px 8px 4px;
  display: flex;
  gap: 6px;
  align-items: baseline;
}
.prefix {
  font: 400 12px var(--sans);
}
.sub {
  font-size: 11.5px;
  color: var(--soft);
  padding: 6px 8px 2px;
}
.quiet {
  color: var(--soft);
}
.start {
  margin-top: 14px;
}
.me {
  margin-top: auto;
  display: flex;
  gap: 8px;
  align-items: center;
  padding: 6px 8px;
  border-radius: 3px;
}
.folded .me {
  padding: 6px 0;
}
.menu {
  display: grid;
  padding: 6px;
  min-width: 168px;
}
.menu button {
  padding: 6px 10px;
  border-radius: 3px;
}
.menu button:hover,
.menu button:focus-visible {
  background: var(--leaf-tint);
}
@media (max-width: 700px) {
  .close {
    display: block;
    opacity: 1;
  }
  .fold {
    display: none;
  }
  .contents a {
    padding: 10px 8px;
  }
}
</style>
