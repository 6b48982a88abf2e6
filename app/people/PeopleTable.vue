<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import { VCheckboxBtn } from 'vuetify/components/VCheckbox'
import { hoursOf, minutesIn, weekSaid } from '#core/base/week'
import type { Person } from '#core/model/records'
import { PersonPebble } from '../parts/marks'
import { asksForMenu } from '../parts/menu-place'
import { useDirectory } from '../data/directory'
import type { CraftGroup, PersonFact } from './people'
import { peopleWords } from './words'

/** Everybody by craft: a grid that is walked by the arrows, and edited where one stands. */
const props = defineProps<{
  groups: readonly CraftGroup[]
  /** In how many items it is their turn. */
  turns: Readonly<Record<string, number>>
  /** When they were last here, in words. */
  here: (person: Person) => string | undefined
  chosen: ReadonlySet<string>
  open: string | undefined
  mayEdit: (person: Person) => boolean
}>()
const emit = defineEmits<{
  choose: [person: Person, isChosen: boolean]
  open: [person: Person]
  edit: [person: Person, fact: PersonFact, at: HTMLElement]
  menu: [person: Person, at: HTMLElement, point?: [number, number]]
}>()
const directory = useDirectory()
const managesPeople = computed(() => directory.may('manage people'))
type Column = 'choose' | 'name' | 'email' | PersonFact | 'turn' | 'here'
const columns = computed((): Column[] =>
  managesPeople.value
    ? ['choose', 'name', 'email', 'role', 'hours', 'turn', 'here']
    : ['name', 'role', 'hours', 'turn'],
)
const heads: Readonly<Record<Column, string>> = {
  choose: '', name: peopleWords.name, email: peopleWords.email, role: peopleWords.role, hours: peopleWords.week,
  craft: peopleWords.craft, turn: peopleWords.turn, here: peopleWords.here,
} // prettier-ignore
const facts: ReadonlySet<Column> = new Set(['role', 'hours'])
const people = computed(() => props.groups.flatMap((group) => group.people))
const at = ref({ row: 0, column: 'name' as Column })
const grid = ref<HTMLElement>()
const isHere = (person: Person, column: Column) =>
  (people.value[at.value.row] ?? people.value[0])?.id === person.id && at.value.column === column
const numbers: ReadonlySet<Column> = new Set(['hours', 'turn'])

function text(person: Person, column: Column): string {
  if (column === 'email') return person.email ?? ''
  if (column === 'role') return person.role ?? peopleWords.noAccount
  if (column === 'hours') return minutesIn(person.hours) ? `${hoursOf(minutesIn(person.hours))} h` : ''
  if (column === 'turn') return String(props.turns[person.id] || '')
  if (column === 'here') return props.here(person) ?? ''
  return person.name
}
function focus(): void {
  const person = people.value[at.value.row]
  void nextTick(() => grid.value?.querySelector<HTMLElement>(`[data-cell="${person?.id} ${at.value.column}"]`)?.focus())
}
function step(rows: number, across: number): void {
  const i = columns.value.indexOf(at.value.column)
  at.value = {
    row: Math.max(0, Math.min(people.value.length - 1, at.value.row + rows)),
    column: columns.value[Math.max(0, Math.min(columns.value.length - 1, i + across))] ?? 'name',
  }
  focus()
}
const steps: Readonly<Record<string, [number, number]>> = {
  ArrowDown: [1, 0], ArrowUp: [-1, 0], ArrowRight: [0, 1], ArrowLeft: [0, -1], Home: [0, -99], End: [0, 99],
  PageDown: [15, 0], PageUp: [-15, 0],
} // prettier-ignore
function act(person: Person, column: Column, cell: HTMLElement): void {
  if (facts.has(column) && props.mayEdit(person)) emit('edit', person, column as PersonFact, cell)
  else emit('open', person)
}
function onKey(event: KeyboardEvent, person: Person, column: Column): void {
  const cell = event.currentTarget as HTMLElement
  const move = event.ctrlKey || event.metaKey || event.altKey ? undefined : steps[event.key]
  if (move) step(...move)
  else if (event.key === 'Enter' || event.key === 'F2') act(person, column, cell)
  else if (event.key === ' ' && managesPeople.value) emit('choose', person, !props.chosen.has(person.id))
  else if (asksForMenu(event)) emit('menu', person, cell)
  else return
  event.preventDefault()
}
function press(person: Person, column: Column, event: MouseEvent): void {
  at.value = { row: people.value.indexOf(person), column }
  act(person, column, event.currentTarget as HTMLElement)
}
defineExpose({ focus })
</script>

<template>
  <div ref="grid" class="people" :class="{ few: !managesPeople }" role="grid" :aria-label="peopleWords.label">
    <div class="row head" role="row">
      <span
        v-for="column in columns"
        :key="column"
        role="columnheader"
        :class="[column, { number: numbers.has(column) }]"
        >{{ heads[column] }}</span
      >
    </div>
    <div v-for="group in groups" :key="group.id" role="rowgroup">
      <div class="group" role="row">
        <span role="gridcell" :aria-colspan="columns.length"
          ><b>{{ group.hasLeft ? peopleWords.left : (group.craft ?? peopleWords.noCraft) }}</b>
          <span class="soft">{{ peopleWords.ofGroup(group.people.length, hoursOf(group.minutes)) }}</span></span
        >
      </div>
      <div
        v-for="person in group.people"
        :key="person.id"
        class="row"
        role="row"
        :class="{ open: person.id === open, chosen: chosen.has(person.id), left: !person.active }"
        :aria-selected="managesPeople ? chosen.has(person.id) : undefined"
        @contextmenu.prevent="
          emit('menu', person, $event.currentTarget as HTMLElement, [$event.clientX, $event.clientY])
        "
      >
        <template v-for="column in columns" :key="column">
          <span v-if="column === 'choose'" class="choose" role="gridcell"
            ><VCheckboxBtn
              :model-value="chosen.has(person.id)"
              :aria-label="peopleWords.choose(person.name)"
              :tabindex="isHere(person, column) ? 0 : -1"
              :data-cell="`${person.id} ${column}`"
              @update:model-value="emit('choose', person, !!$event)"
              @keydown="onKey($event, person, column)"
              @focusin="at = { row: people.indexOf(person), column }"
          /></span>
          <span
            v-else
            role="gridcell"
            class="one-line cell"
            :class="[column, { number: numbers.has(column), editable: facts.has(column) && mayEdit(person) }]"
            :tabindex="isHere(person, column) ? 0 : -1"
            :data-cell="`${person.id} ${column}`"
            :title="
              column === 'hours' ? weekSaid(person.hours) : column === 'email' ? (person.email ?? undefined) : undefined
            "
            @click="press(person, column, $event)"
            @keydown="onKey($event, person, column)"
            @focus="at = { row: people.indexOf(person), column }"
            ><template v-if="column === 'name'"
              ><PersonPebble :person="person" aria-hidden="true" />
              <span class="one-line">{{ person.name }}</span></template
            ><template v-else>{{ text(person, column) }}</template></span
          >
        </template>
      </div>
    </div>
  </div>
</template>

<style scoped>
.people {
  min-width: 520px;
}
.row {
  display: grid;
  grid-template-columns: 34px minmax(140px, 1.5fr) minmax(90px, 1.2fr) 100px 74px 56px 96px;
  align-items: center;
  min-height: max(40px, var(--target));
  padding: 0 24px 0 14px;
  border-bottom: 1px solid var(--rule);
}
.few {
  min-width: 300px;
}
.few .row {
  grid-template-columns: minmax(140px, 1.5fr) 110px 84px 64px;
  padding-left: 24px;
}
.head {
  position: sticky;
  top: 0;
  z-index: 2;
  min-height: var(--row);
  background: var(--paper);
  border-bottom-color: var(--rule-strong);
  color: var(--soft);
  font-size: var(--size-small);
  font-weight: 600;
}
.head > span,
.cell {
  padding: 0 8px;
}
.head > span {
  white-space: nowrap;
}
.number {
  text-align: right;
}
.group {
  padding: 5px 24px;
  background: var(--sunk);
  border-bottom: 1px solid var(--rule);
}
.group b {
  font: var(--type-section);
  margin-right: 8px;
}
.few .name,
.name {
  padding-left: 2px;
}
.cell {
  min-height: max(32px, var(--target));
  line-height: max(32px, var(--target));
  border-radius: var(--round);
  cursor: pointer;
}
.cell.name {
  display: flex;
  gap: 9px;
  align-items: center;
}
.cell.email,
.cell.here {
  color: var(--soft);
}
.cell:focus-visible {
  outline: 2px solid var(--leaf);
  outline-offset: -2px;
}
.editable:hover {
  background: var(--leaf-tint);
}
.row:hover {
  background: color-mix(in oklab, var(--sunk) 50%, var(--paper));
}
.row.head {
  background: var(--paper);
}
.row.chosen,
.row.chosen:hover {
  background: color-mix(in oklab, var(--leaf-tint) 55%, var(--paper));
}
.row.open,
.row.open:hover {
  background: var(--leaf-tint);
}
.left .cell {
  color: var(--soft);
}
/* By the room that there is: a person open beside takes some. */
@container people (max-width: 700px) {
  .row:not(.few .row) {
    grid-template-columns: 34px minmax(120px, 1fr) 100px 74px 56px;
  }
  .email,
  .here {
    display: none;
  }
}
@container people (max-width: 480px) {
  .people {
    min-width: 0;
  }
  .row:not(.few .row) {
    grid-template-columns: var(--target) minmax(100px, 1fr) 92px 72px;
    padding: 0 10px 0 4px;
  }
  .few .row {
    grid-template-columns: minmax(100px, 1fr) 92px 72px;
    padding: 0 10px;
  }
  .row > .turn {
    display: none;
  }
}
</style>
