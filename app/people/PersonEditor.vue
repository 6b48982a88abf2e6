<script setup lang="ts">
import { computed, nextTick, onMounted, ref } from 'vue'
import { VCombobox } from 'vuetify/components/VCombobox'
import { VTextField } from 'vuetify/components/VTextField'
import { hoursOf, minutesIn, readWeek, weekSaid } from '#core/base/week'
import { together } from '#core/commands/bare'
import type { Person } from '#core/model/records'
import ChoiceList from '../parts/ChoiceList.vue'
import PopMenu from '../parts/PopMenu.vue'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { craftsIn, rolesToGive, type PersonFact } from './people'
import { peopleWords, personWords } from './words'

/** Changes one fact of some people at once, where it stands. */
const props = defineProps<{ people: readonly Person[]; fact: PersonFact; at: HTMLElement }>()
const emit = defineEmits<{ leave: [] }>()
const changes = useChanges()
const directory = useDirectory()
const first = computed(() => props.people[0])
const text = ref(props.fact === 'hours' ? weekSaid(first.value?.hours ?? []) : (first.value?.craft ?? ''))
const box = ref<HTMLElement>()
onMounted(() => void nextTick(() => setTimeout(() => box.value?.querySelector('input')?.select())))

const none = 'none'
const roleChoices = computed(() => [
  ...rolesToGive(directory.may('make owners')).map((role) => ({ id: role as string, label: role as string })),
  { id: none, label: peopleWords.noAccount },
])
const week = computed(() => readWeek(text.value, directory.reader.workspace().workingWeek))
const hoursSaid = computed(() =>
  week.value.ok
    ? personWords.hoursRead(weekSaid(week.value.value), hoursOf(minutesIn(week.value.value)))
    : personWords.hoursUnread,
)

function set<F extends PersonFact>(fact: F, to: Person[F]): void {
  const commands = props.people
    .filter((person) => JSON.stringify(person[fact] ?? null) !== JSON.stringify(to))
    .map((person) => ({
      type: 'person.set' as const, target: person.id, set: { [fact]: { from: person[fact] ?? null, to } },
    })) // prettier-ignore
  if (commands.length) void changes.send(together(commands))
  emit('leave')
}
function take(): void {
  if (props.fact === 'craft') set('craft', text.value?.trim() || null)
  else if (week.value.ok) set('hours', week.value.value)
}
</script>

<template>
  <PopMenu :at="at" @close="emit('leave')">
    <ChoiceList
      v-if="fact === 'role'"
      :choices="roleChoices"
      :chosen="[first?.role ?? none]"
      :label="peopleWords.role"
      @choose="set('role', $event === none ? null : ($event as Person['role']))"
      @leave="emit('leave')"
    />
    <form v-else ref="box" class="box" @submit.prevent="take" @keydown.esc.prevent="emit('leave')">
      <VCombobox
        v-if="fact === 'craft'"
        v-model="text"
        :items="craftsIn(directory.reader)"
        :label="peopleWords.craft"
        :hint="personWords.craftHint"
        persistent-hint
        maxlength="60"
        auto-select-first
        @keydown.enter.prevent="nextTick(take)"
      />
      <VTextField
        v-else
        v-model="text"
        :label="peopleWords.week"
        :placeholder="personWords.hoursHint"
        :hint="hoursSaid"
        :error="!week.ok"
        persistent-hint
      />
    </form>
  </PopMenu>
</template>

<style scoped>
.box {
  width: 300px;
  padding: 12px 14px;
}
</style>
