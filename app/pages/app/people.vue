<script setup lang="ts">
import { computed, nextTick, onMounted, ref, shallowRef, watch } from 'vue'
import { useNewKey } from '../../parts/new-key'
import { useRoute, useRouter } from 'vue-router'
import { VBtn } from 'vuetify/components/VBtn'
import { changeRefusal } from '#core/access/changing'
import { hoursOf, minutesIn } from '#core/base/week'
import { personActor } from '#core/change/actor'
import type { Person } from '#core/model/records'
import AppFrame from '../../shell/AppFrame.vue'
import AddPeople from '../../people/AddPeople.vue'
import PeopleTable from '../../people/PeopleTable.vue'
import PersonEditor from '../../people/PersonEditor.vue'
import PersonPanel from '../../people/PersonPanel.vue'
import { craftGroups, type PersonFact } from '../../people/people'
import { useAccounts } from '../../people/use-accounts'
import { invitationWords, peopleWords } from '../../people/words'
import ActMenu, { type Act } from '../../parts/ActMenu.vue'
import { useEditing } from '../../parts/editing'
import { useDirectory } from '../../data/directory'
import { useQuery } from '../../data/use-query'
import { workingWords } from '../../people/working-words'
import { frameWords } from '../../shell/words'

/** The people of the workspace, by craft. */
const directory = useDirectory()
const route = useRoute()
const router = useRouter()
const { answer: counted } = useQuery('turns', () => undefined)
const accounts = useAccounts()
const everybody = computed(() => [...directory.reader.all('person')])
const groups = computed(() => craftGroups(everybody.value))
const here = computed(() => everybody.value.filter((person) => person.active))
const minutes = computed(() => here.value.reduce((sum, { hours }) => sum + minutesIn(hours), 0))
/** Who has a role and no password; in a demo nobody needs one. */
const without = computed(() =>
  directory.reader.workspace().demo
    ? 0
    : here.value.filter(({ id, role }) => role && accounts.known.value[id]?.hasPassword === false).length,
)
const openId = computed(() => (typeof route.query.person === 'string' ? route.query.person : undefined))
const open = computed(() => directory.reader.maybe('person', openId.value ?? ''))
const manages = computed(() => directory.may('manage people'))
const mayEdit = (person: Person): boolean =>
  manages.value && !!directory.me && !changeRefusal(directory.reader, personActor(directory.me.id), 'person', person)

const chosen = ref<ReadonlySet<string>>(new Set())
const chosenPeople = computed(() => everybody.value.filter(({ id }) => chosen.value.has(id)))
/** What can be changed of all that are chosen. */
const editable = computed(() => chosenPeople.value.filter(mayEdit))
function choose(person: Person, isChosen: boolean): void {
  const next = new Set(chosen.value)
  if (isChosen) next.add(person.id)
  else next.delete(person.id)
  chosen.value = next
}
const { editing, endEdit } = useEditing<{ people: readonly Person[]; fact: PersonFact; at: HTMLElement }>(() => table.value) // prettier-ignore
/** Among the chosen, a change is for all of them. */
function edit(person: Person, fact: PersonFact, at: HTMLElement): void {
  editing.value = { people: chosen.value.has(person.id) ? editable.value : [person], fact, at }
}
const table = ref<InstanceType<typeof PeopleTable>>()
const show = (person: Person) => void router.push({ query: { person: person.id } })
function close(): void {
  void router.push({ query: {} })
  void nextTick(() => table.value?.focus())
}
const menu = shallowRef<{ person: Person; at: HTMLElement; point?: [number, number] | undefined }>()
const acts = computed((): Act[] => {
  const { person, at } = menu.value ?? {}
  if (!person || !at) return []
  const facts = (['role', 'craft', 'hours'] as const).map((fact) => ({
    label: peopleWords.change({ role: peopleWords.role, craft: peopleWords.craft, hours: peopleWords.hours }[fact]),
    do: () => edit(person, fact, at),
  }))
  return [{ label: frameWords.open, keys: 'Enter', do: () => show(person) }, ...(mayEdit(person) ? facts : [])]
})
const isAdding = ref(false)
onMounted(() => void accounts.ask())
watch(everybody, () => void accounts.ask())

useNewKey(
  () => manages.value,
  () => (isAdding.value = true),
)
function onKey(event: KeyboardEvent): void {
  if (event.ctrlKey || event.metaKey || event.altKey) return
  if (event.key === 'Escape' && chosen.value.size) chosen.value = new Set()
  else if (event.key === 'Escape' && openId.value) close()
  else return
  event.preventDefault()
}
</script>

<template>
  <AppFrame>
    <template #sentence>
      <div class="line">
        <h1>
          {{ peopleWords.of(directory.reader.workspace().name) }} <span class="soft">{{ peopleWords.byCraft }}</span>
        </h1>
        <VBtn v-if="manages" variant="outlined" @click="isAdding = true">{{ peopleWords.add }}</VBtn>
        <VBtn variant="plain" to="/app/working-time">{{ workingWords.here }}</VBtn>
        <div class="count">
          <b>{{ here.length }}</b> <span class="soft">{{ peopleWords.count(here.length) }}</span>
          <small v-if="without" class="rust">{{ invitationWords.notSet(without) }}</small>
        </div>
      </div>
    </template>
    <div class="list" @keydown="onKey">
      <div v-if="chosen.size" class="choosing" role="toolbar" :aria-label="peopleWords.chosen(chosen.size)">
        <b>{{ peopleWords.chosen(chosen.size) }}</b>
        <VBtn
          v-for="fact in ['role', 'craft', 'hours'] as const"
          :key="fact"
          variant="outlined"
          :disabled="!editable.length"
          @click="editing = { people: editable, fact, at: $event.currentTarget as HTMLElement }"
          >{{ peopleWords[fact] }}</VBtn
        >
        <VBtn variant="plain" @click="chosen = new Set()">{{ peopleWords.chooseNone }}</VBtn>
      </div>
      <PeopleTable
        ref="table"
        :groups="groups"
        :turns="counted?.turns ?? {}"
        :here="accounts.here"
        :chosen="chosen"
        :open="openId"
        :may-edit="mayEdit"
        @choose="choose"
        @open="show"
        @edit="edit"
        @menu="(person, at, point) => (menu = { person, at, point })"
      />
      <p v-if="everybody.length === 1" class="soft alone">{{ peopleWords.alone }}</p>
      <ActMenu
        v-if="menu"
        :acts="acts"
        :label="frameWords.acts(menu.person.name)"
        :at="menu.at"
        :point="menu.point"
        @close="menu = undefined"
      />
      <PersonEditor v-if="editing" v-bind="editing" :key="editing.fact" @leave="endEdit()" />
      <AddPeople v-if="isAdding" v-model="isAdding" @added="accounts.ask()" />
    </div>
    <template v-if="openId" #panel
      ><PersonPanel
        :key="openId"
        :person="open"
        :account="accounts.known.value[openId]"
        :may-edit="!!open && mayEdit(open)"
        @asked="accounts.ask()"
        @close="close"
    /></template>
    <template #tally>
      <span
        ><b>{{ here.length }}</b> {{ peopleWords.count(here.length) }} · <b>{{ hoursOf(minutes) }} h</b>
        {{ peopleWords.week.toLowerCase() }}</span
      >
      <span v-if="manages" class="soft hints"><kbd>N</kbd> {{ peopleWords.add.toLowerCase() }}</span>
    </template>
  </AppFrame>
</template>

<style scoped>
.line {
  display: flex;
  gap: 12px 20px;
  align-items: baseline;
  flex-wrap: wrap;
}
h1 {
  font: var(--type-heading);
  min-width: 0;
  overflow-wrap: anywhere;
}
.count {
  margin-left: auto;
  white-space: nowrap;
}
.count small {
  display: block;
  text-align: right;
  font: var(--type-aside);
}
.count b {
  font: var(--type-figure);
}
.list {
  height: 100%;
  overflow: auto;
  container: people / inline-size;
}
.choosing {
  position: sticky;
  top: 0;
  z-index: 3;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  padding: 6px 24px;
  background: var(--leaf-tint);
  border-bottom: 1px solid var(--rule-strong);
}
.alone {
  padding: 20px 24px;
}
@media (max-width: 700px) {
  h1 {
    font-size: 19px;
  }
  .hints,
  .count {
    display: none;
  }
}
</style>
