<script setup lang="ts">
import { computed } from 'vue'
import { isSameValue } from '#core/base/sorted-ids'
import { paletteColours, type PaletteColour, type Phase, type TurnOf } from '#core/model/records'
import { phases } from '#core/model/names'
import ChoiceList, { type Choice } from '../parts/ChoiceList.vue'
import ColourChoice from '../parts/ColourChoice.vue'
import PopMenu from '../parts/PopMenu.vue'
import { LeafMark } from '../parts/marks'
import { useDirectory } from '../data/directory'
import { useSetUpChange } from './changes'
import NameEditor from './NameEditor.vue'
import { turnChoices, type StatusRow } from './statuses'
import { changeWords, statusWords } from './words'

/** Changes a status where it stands: its name and colour, its phase, or whose turn it is. */
const props = defineProps<{
  row: StatusRow
  fact: 'name' | 'phase' | 'turn'
  at: HTMLElement
  /** How many items stand in it. */
  standing: number
}>()
const emit = defineEmits<{ leave: [] }>()
const directory = useDirectory()
const setUp = useSetUpChange()
const others = computed(() => directory.statuses(props.row.status.project).filter(({ id }) => id !== props.row.id))

const shares: Readonly<Record<Phase, number>> = { waiting: 0, active: 0.5, finished: 1, dropped: -1 }
const phaseChoices = phases.map((phase): Choice => ({ id: phase, label: phase, leaf: { share: shares[phase], colour: props.row.status.colour } })) // prettier-ignore
const nobody = 'nobody'
const turns = computed(() => {
  const { project } = props.row.status
  const people = directory.fields(project).filter(({ type }) => type === 'people')
  const assignees = directory.reader.maybe('project', project)?.uses.assignees ?? null
  const none: TurnOf = { of: 'nobody' }
  return [...turnChoices(people, assignees), { id: nobody, label: statusWords.nobody, turn: none }]
})
const turnNow = computed(() => turns.value.find(({ turn }) => isSameValue(turn, props.row.step.turn))?.id)

function rename(to: string): void {
  const { id, name: from } = props.row
  if (to !== from) void setUp.send({ type: 'status.set', target: id, set: { name: { from, to } } })
  emit('leave')
}
function paint(to: PaletteColour): void {
  const { id, status } = props.row
  if (to !== status.colour) void setUp.send({ type: 'status.set', target: id, set: { colour: { from: status.colour, to } } }) // prettier-ignore
}
/** Where items stand in it, what it does to them is said first. */
function take(title: string, command: ReturnType<Parameters<typeof setUp.ask>[0]['command']>, note?: string): void {
  emit('leave')
  if (!props.standing) return void setUp.send(command)
  const go = changeWords.change
  setUp.ask({ title, go, about: props.row.id, standing: props.standing, ...(note && { note }), command: () => command }, props.at) // prettier-ignore
}
function setPhase(to: Phase): void {
  const { id, status } = props.row
  if (to === status.phase) return emit('leave')
  const set = { phase: { from: status.phase, to } }
  take(changeWords.phaseTitle(status.name, to), { type: 'status.set', target: id, set }, changeWords.started)
}
function setTurn(chosen: string): void {
  const { step, name } = props.row
  const to = turns.value.find(({ id }) => id === chosen)?.turn
  if (!to || isSameValue(to, step.turn)) return emit('leave')
  take(changeWords.turnTitle(name), { type: 'step.set', target: step.id, set: { turn: { from: step.turn, to } } })
}
</script>

<template>
  <NameEditor
    v-if="fact === 'name'"
    :name="row.name"
    :label="statusWords.name"
    :taken="others.map((other) => other.name)"
    :at="at"
    @take="rename"
    @leave="emit('leave')"
  >
    <ColourChoice
      v-slot="{ colour }"
      :colours="paletteColours"
      :chosen="row.status.colour"
      :label="statusWords.colour"
      @choose="paint"
      ><LeafMark :share="0.6" :colour="colour"
    /></ColourChoice>
  </NameEditor>
  <PopMenu v-else :at="at" @close="emit('leave')">
    <ChoiceList
      v-if="fact === 'phase'"
      :choices="phaseChoices"
      :chosen="[row.status.phase]"
      :label="statusWords.phase"
      @choose="setPhase($event as Phase)"
      @leave="emit('leave')"
    />
    <ChoiceList
      v-else
      :choices="turns"
      :chosen="turnNow ? [turnNow] : []"
      :label="statusWords.turn"
      @choose="setTurn"
      @leave="emit('leave')"
    />
  </PopMenu>
</template>
