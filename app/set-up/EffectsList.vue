<script setup lang="ts">
import { computed, onMounted, shallowRef, watch } from 'vue'
import { RouterLink } from 'vue-router'
import type { Effects } from '#core/commands/effects'
import type { BareCommand } from '#core/commands/registry'
import { limitOf } from '#core/model/reader'
import { useAsk } from '../data/use-ask'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { changeWords } from './words'

/** What a command would touch, in words; worked out anew where something changes meanwhile. */
const props = defineProps<{
  command: BareCommand
  /** Whose removal it is, aside from what goes with it. */
  about?: string
  /** How many items stand where it changes something: with it the effects are worked out anew. */
  standing?: number
  /** How many items it changes is said elsewhere. */
  isCounted?: boolean
}>()
const emit = defineEmits<{ told: [isPossible: boolean] }>()
const changes = useChanges()
const directory = useDirectory()
const ask = useAsk()
const told = shallowRef<Effects>()
const said = shallowRef('')
onMounted(() =>
  watch(
    [() => props.command, () => directory.reader, () => props.standing],
    async () => {
      const answer = await ask('effects', { command: props.command })
      if (!answer) return
      told.value = answer.ok ? answer.value : undefined
      said.value = answer.ok ? '' : await changes.wordsFor(answer.problem)
      emit('told', answer.ok)
    },
    { immediate: true },
  ),
)
const columns = computed(() =>
  (told.value?.gone ?? []).flatMap(({ entity, id }) => {
    const column = entity === 'column' && id !== props.about ? directory.reader.maybe('column', id) : undefined
    return column ? [changeWords.columnGoes(column.name, limitOf(directory.reader, id))] : []
  }),
)
const losesLimit = computed(() => !columns.value.length && told.value?.gone.some(({ entity }) => entity === 'limit'))
const views = computed(() =>
  (told.value?.views ?? []).flatMap((id) => {
    const view = directory.reader.maybe('view', id)
    const project = view && directory.reader.maybe('project', view.project)
    return project ? [{ id, name: view.name, address: `/app/${project.prefix}/${id}` }] : []
  }),
)
const worked = computed(() =>
  (told.value?.fields ?? []).flatMap((id) => directory.reader.maybe('field', id)?.name ?? []),
)
const queues = computed(() =>
  Object.entries(told.value?.queues ?? {}).map(
    ([id, count]) => `${directory.reader.maybe('person', id)?.name ?? ''} (${count})`,
  ),
)
</script>

<template>
  <p v-if="said" class="note wrong" role="alert">{{ said }}</p>
  <ul v-else class="effects">
    <slot />
    <li v-if="!isCounted && told?.touched.item">
      <b>{{ changeWords.items(told.touched.item) }}</b>
    </li>
    <li v-if="!told" class="soft">{{ changeWords.working }}</li>
    <template v-else>
      <li v-for="one in columns" :key="one">{{ one }}</li>
      <li v-if="losesLimit">{{ changeWords.limitGoes }}</li>
      <li v-if="views.length">
        <b>{{ changeWords.views(views.length) }}</b>
        <template v-for="(view, i) in views" :key="view.id"
          >{{ i ? ', ' : ' ' }}<RouterLink class="link" :to="view.address">{{ view.name }}</RouterLink></template
        >. {{ changeWords.viewsLose }}
      </li>
      <li v-if="worked.length">{{ changeWords.workedLose(worked) }}</li>
      <li v-if="told.steps">{{ changeWords.stepsLose(told.steps) }}</li>
      <li>{{ queues.length ? changeWords.queues(queues) : changeWords.noQueue }}</li>
      <li class="soft">{{ changeWords.history }}</li>
    </template>
  </ul>
</template>

<style scoped>
.effects {
  list-style: none;
  padding: 0;
  margin: 8px 0 14px;
}
.effects :slotted(li),
li {
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
  overflow-wrap: anywhere;
}
</style>
