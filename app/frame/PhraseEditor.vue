<script setup lang="ts">
import { computed, onMounted, shallowRef, watch } from 'vue'
import type { Condition, SortKey, View, ViewDefinition } from '#core/model/records'
import { sortKeyWords, type PhraseName } from '#core/views/sentence'
import type { PhraseCounts } from '#core/questions/questions'
import ChoiceList, { type Choice } from '../parts/ChoiceList.vue'
import { peopleChoices, statusChoices } from '../parts/choices'
import { dayWords } from '../dates'
import { useDirectory } from '../stores/directory'
import { useSession } from '../stores/session'
import { words } from '../words'

/** The editor of one phrase: every change is tried at once, and the count beside the sentence moves. */
const props = defineProps<{ phrase: PhraseName; view: View; definition: ViewDefinition }>()
const emit = defineEmits<{
  /** Ends this editor, or goes on with that of another phrase. */
  change: [definition: ViewDefinition, phrase?: PhraseName]
  keepOpen: [definition: ViewDefinition]
  leave: []
}>()
const directory = useDirectory()
const session = useSession()
const project = computed(() => directory.reader.maybe('project', props.view.project))
const at = computed(() => (props.phrase.startsWith('where:') ? Number(props.phrase.slice(6)) : -1))
const condition = computed((): Condition | undefined => props.definition.where[at.value])

const counts = shallowRef<PhraseCounts>()
async function count(): Promise<void> {
  const others = { ...props.definition, where: props.definition.where.filter((_, i) => i !== at.value) }
  counts.value = await session.api?.counts(props.view.project, JSON.parse(JSON.stringify(others)) as ViewDefinition)
}
onMounted(count)
watch(() => props.phrase, count)

const withWhere = (where: Condition[]): ViewDefinition => ({ ...props.definition, where })
const replaced = (next: Condition): ViewDefinition =>
  withWhere(props.definition.where.map((one, i) => (i === at.value ? next : one)))
const takeOut = () => emit('change', withWhere(props.definition.where.filter((_, i) => i !== at.value)))
function add(next: Condition): void {
  const where = [...props.definition.where, next]
  emit('change', withWhere(where), `where:${where.length - 1}`)
}

function toggleStatus(id: string): void {
  if (condition.value?.about !== 'status') return
  const held = condition.value.statuses as readonly string[]
  const statuses = held.includes(id) ? held.filter((one) => one !== id) : [...held, id]
  emit('keepOpen', replaced({ about: 'status', statuses } as Condition))
}
function togglePerson(id: string): void {
  if (condition.value?.about !== 'person') return
  const held = condition.value.people as readonly string[]
  const people = held.includes(id) ? held.filter((one) => one !== id) : [...held, id]
  if (people.length) emit('keepOpen', replaced({ about: 'person', people } as Condition))
}
const people = computed((): Choice[] => [
  {
    id: 'me',
    label: words.phrase.me,
    ...(counts.value && session.me && { count: counts.value.people[session.me] ?? 0 }),
  },
  ...peopleChoices(directory, counts.value?.people ?? {}),
])

const additions = computed((): { label: string; condition: Condition }[] => {
  const open = directory.statuses(props.view.project).filter((one) => one.phase === 'waiting' || one.phase === 'active')
  return [
    { label: words.phrase.whereStatus, condition: { about: 'status', statuses: open.map((one) => one.id) } },
    { label: words.phrase.wherePerson, condition: { about: 'person', people: ['me'] } },
    { label: words.phrase.whereMine, condition: { about: 'turn', of: 'me' } },
    { label: words.phrase.whereNobody, condition: { about: 'turn', of: 'nobody' } },
    { label: words.phrase.whereDue, condition: { about: 'dueBefore', day: 'today' } },
  ]
})

const sortChoices = computed((): Choice[] => {
  const by = [
    'rank',
    'key',
    'title',
    'status',
    'kind',
    'changed',
    ...directory
      .fields(props.view.project)
      .filter((one) => one.type !== 'longText')
      .map((one) => one.id),
  ]
  return by.map((one) => ({
    id: one,
    label: project.value
      ? sortKeyWords(
          { by: one, down: false },
          { reader: directory.reader, project: project.value, day: (date) => dayWords(date, directory.language) },
        )
      : one,
  }))
})
const sort = computed((): readonly SortKey[] =>
  props.definition.sort.length ? props.definition.sort : [{ by: 'rank', down: false }],
)
const chooseSort = (by: string) => emit('keepOpen', { ...props.definition, sort: [{ by, down: false }] })
const turnRound = () =>
  emit('keepOpen', {
    ...props.definition,
    sort: sort.value.map((key, i) => (i === 0 ? { ...key, down: !key.down } : key)),
  })

const fieldChoices = computed((): Choice[] =>
  directory.fields(props.view.project).map((field) => ({ id: field.id, label: field.name })),
)
function toggleShown(id: string): void {
  const show = props.definition.show.includes(id)
    ? props.definition.show.filter((one) => one !== id)
    : [...props.definition.show, id]
  emit('keepOpen', { ...props.definition, show })
}
const dueDay = computed(() => (condition.value?.about === 'dueBefore' ? condition.value.day : 'today'))
</script>

<template>
  <div class="editor" @keydown.esc.stop="emit('leave')">
    <div v-if="phrase === 'layout'" class="list" role="menu">
      <button
        type="button"
        role="menuitemradio"
        :aria-checked="definition.layout === 'table'"
        autofocus
        @click="emit('change', { ...definition, layout: 'table' })"
      >
        {{ words.phrase.asTable }}
      </button>
      <button
        type="button"
        role="menuitemradio"
        :aria-checked="definition.layout === 'board'"
        @click="emit('change', { ...definition, layout: 'board' })"
      >
        {{ words.phrase.asBoard }}
      </button>
    </div>
    <template v-else-if="phrase === 'sort'">
      <ChoiceList
        :choices="sortChoices"
        :chosen="[sort[0]?.by ?? 'rank']"
        :label="words.phrase.sortedBy"
        @choose="chooseSort"
        @leave="emit('leave')"
      />
      <footer>
        <button type="button" @click="turnRound">{{ words.phrase.turnRound }}</button>
      </footer>
    </template>
    <ChoiceList
      v-else-if="phrase === 'show'"
      :choices="fieldChoices"
      :chosen="definition.show"
      :label="words.phrase.show"
      several
      @choose="toggleShown"
      @leave="emit('leave')"
    />
    <div v-else-if="phrase === 'more'" class="list" role="menu">
      <button v-for="one in additions" :key="one.label" type="button" role="menuitem" @click="add(one.condition)">
        {{ one.label }}
      </button>
    </div>
    <template v-else-if="condition">
      <ChoiceList
        v-if="condition.about === 'status'"
        :choices="statusChoices(directory, view.project, counts?.statuses ?? {})"
        :chosen="condition.statuses"
        :label="words.phrase.whereStatus"
        several
        @choose="toggleStatus"
        @leave="emit('leave')"
      />
      <ChoiceList
        v-else-if="condition.about === 'person'"
        :choices="people"
        :chosen="condition.people"
        :label="words.phrase.wherePerson"
        several
        @choose="togglePerson"
        @leave="emit('leave')"
      />
      <div v-else-if="condition.about === 'dueBefore'" class="due">
        <label
          >{{ words.phrase.dueBefore }}
          <input
            type="date"
            :value="dueDay === 'today' ? directory.today : dueDay"
            @change="
              emit(
                'keepOpen',
                replaced({ about: 'dueBefore', day: ($event.target as HTMLInputElement).value || 'today' }),
              )
            "
        /></label>
        <button type="button" class="link" @click="emit('keepOpen', replaced({ about: 'dueBefore', day: 'today' }))">
          {{ words.phrase.today }}
        </button>
      </div>
      <div v-else-if="condition.about === 'turn'" class="list" role="menu">
        <button
          type="button"
          role="menuitemradio"
          :aria-checked="condition.of === 'me'"
          @click="emit('keepOpen', replaced({ about: 'turn', of: 'me' }))"
        >
          {{ words.phrase.whereMine }}
        </button>
        <button
          type="button"
          role="menuitemradio"
          :aria-checked="condition.of === 'nobody'"
          @click="emit('keepOpen', replaced({ about: 'turn', of: 'nobody' }))"
        >
          {{ words.phrase.whereNobody }}
        </button>
      </div>
      <footer>
        <button type="button" class="right" @click="takeOut">{{ words.phrase.takeOut }}</button>
      </footer>
    </template>
  </div>
</template>

<style scoped>
.editor {
  min-width: 240px;
}
.list {
  display: grid;
  padding: 6px;
}
.list button {
  padding: 6px 10px;
  border-radius: 3px;
}
.list button:hover,
.list button:focus-visible {
  background: var(--leaf-tint);
}
.list [aria-checked='true'] {
  font-weight: 600;
}
.due {
  padding: 12px 14px;
  display: grid;
  gap: 8px;
}
.due input {
  border: 1px solid var(--edge);
  border-radius: 3px;
  padding: 3px 6px;
  margin-left: 6px;
  background: var(--raised);
}
footer {
  border-top: 1px solid var(--rule);
  padding: 8px 14px;
  display: flex;
  font-size: 12.5px;
  color: var(--pool);
}
</style>
