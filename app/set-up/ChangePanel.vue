<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { RouterLink } from 'vue-router'
import { VBtn } from 'vuetify/components/VBtn'
import type { Effects } from '#core/commands/effects'
import { limitOf } from '#core/model/reader'
import SelectOne from '../parts/SelectOne.vue'
import { useAsk } from '../data/use-ask'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { useSetUpChange, type PendingChange } from './changes'
import { changeWords } from './words'

/** What a change of set-up would touch, said before it is done; where things go is chosen here. */
const props = defineProps<{ change: PendingChange }>()
const store = useSetUpChange()
const changes = useChanges()
const directory = useDirectory()
const ask = useAsk()
const to = ref(props.change.to?.choices[0]?.value ?? '')
const isPossible = computed(() => !props.change.to || props.change.to.choices.length > 0)
const command = computed(() => props.change.command(to.value))
const told = shallowRef<Effects>()
const said = ref('')
watch(
  [command, () => directory.reader, () => props.change.standing],
  async () => {
    if (!isPossible.value) return
    const answer = await ask('effects', { command: command.value })
    if (!answer) return
    told.value = answer.ok ? answer.value : undefined
    said.value = answer.ok ? '' : await changes.wordsFor(answer.problem)
  },
  { immediate: true },
)
const box = ref<HTMLElement>()
onMounted(() => box.value?.focus())

const columns = computed(() =>
  (told.value?.gone ?? []).flatMap(({ entity, id }) => {
    const column = entity === 'column' && id !== props.change.about ? directory.reader.maybe('column', id) : undefined
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
const queues = computed(() =>
  Object.entries(told.value?.queues ?? {}).map(
    ([id, count]) => `${directory.reader.maybe('person', id)?.name ?? ''} (${count})`,
  ),
)
</script>

<template>
  <aside
    ref="box"
    class="change"
    tabindex="-1"
    :aria-label="changeWords.label"
    @keydown.esc.prevent.stop="store.leave()"
  >
    <h2>{{ change.title }}</h2>
    <p v-if="!isPossible">{{ changeWords.nowhere }}</p>
    <p v-else-if="said" class="note wrong" role="alert">{{ said }}</p>
    <ul v-else>
      <li v-if="change.to">
        <b v-if="change.standing">{{ changeWords.stand(change.standing) }}</b>
        {{ change.to.words }}
        <SelectOne :choices="change.to.choices" :chosen="to" :label="change.to.words" @choose="to = $event" />
      </li>
      <li v-else-if="told?.touched.item">
        <b>{{ changeWords.items(told.touched.item) }}</b>
      </li>
      <li v-if="change.note">{{ change.note }}</li>
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
        <li>{{ queues.length ? changeWords.queues(queues) : changeWords.noQueue }}</li>
        <li class="soft">{{ changeWords.history }}</li>
      </template>
    </ul>
    <div class="ends">
      <VBtn v-if="isPossible" variant="flat" :disabled="!told" @click="store.take(command)">{{ change.go }}</VBtn>
      <VBtn variant="plain" @click="store.leave()">{{ changeWords.keep }}</VBtn>
    </div>
    <p v-if="isPossible" class="soft">{{ changeWords.undo }}</p>
  </aside>
</template>

<style scoped>
.change {
  padding: 16px 20px;
  height: 100%;
  overflow: auto;
  outline: none;
}
h2 {
  font: var(--type-title);
  overflow-wrap: anywhere;
}
ul {
  list-style: none;
  padding: 0;
  margin: 8px 0 14px;
}
li {
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
  overflow-wrap: anywhere;
}
.ends + p {
  margin-top: 10px;
}
</style>
