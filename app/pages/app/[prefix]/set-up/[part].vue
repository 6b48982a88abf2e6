<script setup lang="ts">
import { computed, onUnmounted, ref, watch, type Component } from 'vue'
import { useRoute } from 'vue-router'
import { VBtn } from 'vuetify/components/VBtn'
import { VList, VListItem } from 'vuetify/components/VList'
import { workflowSentence } from '#core/language/workflow-sentence'
import AppFrame from '../../../../shell/AppFrame.vue'
import BoardPart from '../../../../set-up/BoardPart.vue'
import ChangePanel from '../../../../set-up/ChangePanel.vue'
import FieldsPart from '../../../../set-up/FieldsPart.vue'
import GatheredPanel from '../../../../set-up/GatheredPanel.vue'
import KindsPart from '../../../../set-up/KindsPart.vue'
import MembersPart from '../../../../set-up/MembersPart.vue'
import ProjectPart from '../../../../set-up/ProjectPart.vue'
import StatusesPart from '../../../../set-up/StatusesPart.vue'
import { useSetUpChange } from '../../../../set-up/changes'
import { boardWords, changeWords, setUpWords, statusWords } from '../../../../set-up/words'
import { membersOf } from '../../../../set-up/members'
import { movesOf, statusRows } from '../../../../set-up/statuses'
import { useDirectory } from '../../../../data/directory'
import { useQuery } from '../../../../data/use-query'
import { boardsOf, columnsOf, kindsOf } from '#core/model/reader'
import { fieldWords, kindWords } from '../../../../set-up/field-words'
import { peopleWords } from '../../../../people/words'
import { viewWords } from '../../../../view-layouts/words'

/** How a project works: its workflow, its board, who takes part, and the project itself. */
const route = useRoute()
const directory = useDirectory()
const setUp = useSetUpChange()
const project = computed(() => directory.byPrefix(String(route.params.prefix)))
const part = computed(() => String(route.params.part))
const mayEdit = computed(() => !!project.value && directory.may('set up project', project.value.id))
const { answer: standing } = useQuery('standing', () => ({ project: project.value?.id ?? ('' as never) }))

const chosen = ref<string>()
const workflow = computed({
  get: () => {
    const all = [...directory.reader.all('workflow')].filter((one) => one.project === project.value?.id)
    const first = project.value && kindsOf(directory.reader, project.value.id)[0]?.workflow
    return all.find(({ id }) => id === chosen.value)?.id ?? first ?? all[0]?.id ?? ''
  },
  set: (id) => (chosen.value = id),
})
const sentence = computed(() =>
  project.value ? workflowSentence(directory.reader, project.value, workflow.value) : [],
)
const rows = computed(() => statusRows(directory.reader, workflow.value))
const statuses = computed(() => rows.value.length)
const moves = computed(() => movesOf(rows.value))
const columns = computed(() => {
  const board = project.value && boardsOf(directory.reader, project.value.id)[0]
  return board ? columnsOf(directory.reader, board.id).length : 0
})
const members = computed(() => (project.value ? membersOf(directory.reader, project.value.id).length : 0))
const parts = computed(() => [
  { name: 'statuses', title: setUpWords.statuses, count: statuses.value },
  { name: 'board', title: setUpWords.board, count: columns.value },
  { name: 'fields', title: setUpWords.fields, count: fields.value },
  { name: 'kinds', title: setUpWords.kinds, count: kinds.value },
  { name: 'people', title: setUpWords.people, count: members.value },
  { name: 'project', title: setUpWords.project, count: undefined },
])
const fields = computed(() => (project.value ? directory.fields(project.value.id).length : 0))
const kinds = computed(() => (project.value ? directory.kinds(project.value.id).length : 0))
const others: Readonly<Record<string, Component>> = {
  board: BoardPart,
  fields: FieldsPart,
  kinds: KindsPart,
  people: MembersPart,
  project: ProjectPart,
}
const statusesPart = ref<InstanceType<typeof StatusesPart>>()
const press = (status: string, event: Event) => statusesPart.value?.openMenu(status, event.currentTarget as HTMLElement)
/** What was asked is of the part and project that one was in. */
watch([part, () => project.value?.id], () => setUp.leave())
watch(project, (now) => (setUp.project = now?.id ?? ''), { immediate: true })
onUnmounted(() => {
  setUp.leave()
  setUp.project = ''
})
</script>

<template>
  <AppFrame>
    <template #sentence>
      <h1 v-if="!project" class="gone">{{ viewWords.noSuchProject }}</h1>
      <template v-else>
        <h1 v-if="part === 'statuses'" class="sentence-text">
          <template v-for="(phrase, i) in sentence" :key="i"
            ><span
              v-if="phrase.status && mayEdit"
              role="button"
              tabindex="0"
              class="phrase"
              aria-haspopup="menu"
              @click="press(phrase.status, $event)"
              @keydown.enter.prevent="press(phrase.status, $event)"
              @keydown.space.prevent="press(phrase.status, $event)"
              >{{ phrase.text }}</span
            ><span v-else :class="{ said: phrase.status }">{{ phrase.text }}</span></template
          >{{ ' '
          }}<span
            v-if="mayEdit"
            role="button"
            tabindex="0"
            class="phrase more"
            @click="statusesPart?.startAdding()"
            @keydown.enter.prevent="statusesPart?.startAdding()"
            @keydown.space.prevent="statusesPart?.startAdding()"
            >{{ statusWords.and }}</span
          >
        </h1>
        <h1 v-else>{{ setUpWords.title(project.name) }}</h1>
      </template>
    </template>
    <div v-if="project" class="set-up">
      <nav class="parts" :aria-label="setUpWords.parts">
        <VList nav tag="div" role="none" tabindex="-1">
          <VListItem
            v-for="one in parts"
            :key="one.name"
            :to="`/app/${project.prefix}/set-up/${one.name}`"
            :active="part === one.name"
            :aria-current="part === one.name ? 'page' : undefined"
            :title="one.title"
          >
            <template v-if="one.count" #append>{{ one.count }}</template>
          </VListItem>
        </VList>
      </nav>
      <div class="shown">
        <StatusesPart
          v-if="part === 'statuses'"
          ref="statusesPart"
          v-model:workflow="workflow"
          :project="project"
          :standing="standing"
          :may-edit="mayEdit"
        />
        <component
          :is="others[part]"
          v-else-if="others[part]"
          :project="project"
          :standing="standing"
          :may-edit="mayEdit"
        />
        <p v-else class="soft">{{ setUpWords.noSuchPart }}</p>
      </div>
    </div>
    <template v-if="setUp.pending || setUp.gathered" #panel
      ><ChangePanel v-if="setUp.pending" :key="setUp.pending.title" :change="setUp.pending" /><GatheredPanel v-else
    /></template>
    <template #tally>
      <span v-if="part === 'board'"
        ><b>{{ columns }}</b> {{ boardWords.count(columns) }}</span
      >
      <span v-else-if="part === 'fields'"
        ><b>{{ fields }}</b> {{ fieldWords.count(fields) }}</span
      >
      <span v-else-if="part === 'kinds'"
        ><b>{{ kinds }}</b> {{ kindWords.count(kinds) }}</span
      >
      <span v-else-if="part === 'people'"
        ><b>{{ members }}</b> {{ peopleWords.count(members) }}</span
      >
      <span v-else
        ><b>{{ statuses }}</b> {{ statusWords.count(statuses)
        }}<span v-if="part === 'statuses'" class="hints">{{ ` · ${statusWords.moves(moves)}` }}</span></span
      >
      <VBtn v-if="mayEdit && !setUp.gathered && !setUp.pending" class="hints" variant="plain" @click="setUp.begin()">{{
        changeWords.gather
      }}</VBtn>
      <span v-if="setUp.pending" class="rust"
        ><b>{{ setUpWords.notDone(setUp.pending.title) }}</b></span
      >
      <span v-else-if="mayEdit && (part === 'statuses' || part === 'board' || part === 'fields')" class="soft hints"
        ><kbd>N</kbd> {{ setUpWords.keyNew }} <kbd>Enter</kbd> {{ setUpWords.keyEdit }} <kbd>Alt ↑ ↓</kbd>
        {{ setUpWords.keyOrder }} <kbd>Del</kbd> {{ setUpWords.keyRemove }}</span
      >
    </template>
  </AppFrame>
</template>

<style scoped>
.gone,
h1:not(.sentence-text) {
  font: var(--type-heading);
  overflow-wrap: anywhere;
}
.sentence-text {
  overflow-wrap: anywhere;
}
.sentence-text .said {
  color: var(--ink);
}
.set-up {
  height: 100%;
  display: grid;
  grid-template-columns: 148px minmax(0, 1fr);
}
.parts {
  border-right: 1px solid var(--rule);
  padding: 14px 8px;
}
nav .v-list {
  background: transparent;
  padding: 0;
}
.shown {
  overflow: auto;
  padding: 0 24px 24px;
  min-width: 0;
}
@media (max-width: 700px) {
  .sentence-text {
    font-size: var(--size-body);
  }
  .hints {
    display: none;
  }
  .set-up {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: auto minmax(0, 1fr);
  }
  nav .v-list {
    display: flex;
    overflow-x: auto;
  }
  nav .v-list .v-list-item {
    margin-top: 0;
  }
  .parts {
    border-right: 0;
    border-bottom: 1px solid var(--rule);
    padding: 4px 8px;
  }
  .shown {
    padding: 0 12px 24px;
  }
}
</style>
