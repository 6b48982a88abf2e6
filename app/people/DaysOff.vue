<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import { mdiClose } from '@mdi/js'
import { VBtn } from 'vuetify/components/VBtn'
import { VTextField } from 'vuetify/components/VTextField'
import { changeRefusal } from '#core/access/changing'
import { readDays } from '#core/base/days-said'
import type { DayOffId } from '#core/base/ids'
import { personActor } from '#core/change/actor'
import type { DayOff, PersonId } from '#core/model/records'
import { v7 } from 'uuid'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { speechOf } from '../data/speech'
import IconButton from '../parts/IconButton.vue'
import SelectOne from '../parts/SelectOne.vue'
import { daysOffOf, daysSaid, lostDays, type Whose } from './days-off'
import LineEditor from './LineEditor.vue'
import { workingWords } from './working-words'

/** Days off in a list, and a line in which more are typed: days, what for, Enter. */
const props = defineProps<{ whose: Whose; label: string; none: string }>()
const changes = useChanges()
const directory = useDirectory()
const me = computed(() => directory.me?.id)
const listed = computed(() => daysOffOf(directory.reader, props.whose, directory.today))
const isPastShown = ref(false)
const shown = computed(() => [...(isPastShown.value ? listed.value.over : []), ...listed.value.ahead])
const mayChange = (off: Pick<DayOff, 'person'>): boolean =>
  !!me.value && !changeRefusal(directory.reader, personActor(me.value), 'dayOff', off as DayOff)
const said = (off: DayOff): string => daysSaid(off, directory.language, directory.today)
const nameOf = (off: DayOff): string => off.name || directory.reader.names.person(off.person ?? '') || said(off)

/** Of whom one may say that they are away. */
const people = computed(() =>
  [...directory.reader.all('person')]
    .filter((person) => person.active && mayChange({ person: person.id }))
    .sort((a, b) => Number(b.id === me.value) - Number(a.id === me.value) || a.name.localeCompare(b.name)),
)
const chosen = ref<PersonId>()
const person = computed((): PersonId | null | undefined =>
  props.whose === 'everyone' ? null : props.whose === 'each' ? (chosen.value ?? people.value[0]?.id) : props.whose,
)
const mayAdd = computed(() => person.value !== undefined && mayChange({ person: person.value }))

const typed = ref({ days: '', name: '' })
const wrong = ref('')
const read = computed(() => readDays(typed.value.days.trim(), speechOf(directory)))
const understood = computed(() =>
  typed.value.days.trim() && read.value ? daysSaid(read.value, directory.language) : '',
)
const form = ref<HTMLElement>()
async function add(): Promise<void> {
  if (!read.value || person.value === undefined) return void (wrong.value = workingWords.unread)
  const record = { id: v7() as DayOffId, person: person.value, ...read.value, name: typed.value.name.trim() }
  if (!(await changes.send({ type: 'dayOff.add', record }))) return
  typed.value = { days: '', name: '' }
  await nextTick()
  form.value?.querySelector<HTMLElement>('input[data-days]')?.focus()
}
/** Days that are typed again; what cannot be read is told, and the old ones stay. */
function setDays(off: DayOff, text: string): void {
  const days = readDays(text, speechOf(directory))
  if (!days) return changes.say(`${text}: ${workingWords.unread}`)
  const set = {
    ...(days.from !== off.from && { from: { from: off.from, to: days.from } }),
    ...(days.to !== off.to && { to: { from: off.to, to: days.to } }),
  }
  if (Object.keys(set).length) void changes.send({ type: 'dayOff.set', target: off.id, set })
}
const setName = (off: DayOff, to: string): void =>
  void changes.send({ type: 'dayOff.set', target: off.id, set: { name: { from: off.name, to } } })
const remove = (off: DayOff): void => void changes.send({ type: 'dayOff.remove', target: off.id, how: {} })
</script>

<template>
  <div class="days-off">
    <VBtn v-if="listed.over.length" variant="plain" :aria-expanded="isPastShown" @click="isPastShown = !isPastShown">{{
      workingWords.earlier(listed.over.length, isPastShown)
    }}</VBtn>
    <p v-if="!listed.ahead.length" class="soft">{{ none }}</p>
    <ul v-if="shown.length" :aria-label="label">
      <li v-for="off in shown" :key="off.id" :class="{ over: off.to < directory.today, whose: whose === 'each' }">
        <span v-if="whose === 'each'" class="who">{{ directory.reader.names.person(off.person ?? '') }}</span>
        <LineEditor
          class="when"
          :text="said(off)"
          :label="workingWords.change(nameOf(off))"
          :may-edit="mayChange(off)"
          @set="setDays(off, $event)"
        />
        <LineEditor
          class="what"
          :text="off.name"
          :none="workingWords.unnamed"
          :label="workingWords.name"
          :may-edit="mayChange(off)"
          @set="setName(off, $event)"
        />
        <span class="soft lost">{{ workingWords.working(lostDays(directory.reader, off)) }}</span>
        <IconButton
          v-if="mayChange(off)"
          :icon="mdiClose"
          :label="workingWords.remove(nameOf(off))"
          @click="remove(off)"
        />
      </li>
    </ul>
    <form v-if="mayAdd" ref="form" @submit.prevent="add">
      <SelectOne
        v-if="whose === 'each' && people.length > 1"
        :choices="people.map(({ id, name }) => ({ value: id as string, title: name }))"
        :chosen="person ?? undefined"
        :label="workingWords.person"
        @choose="chosen = $event as PersonId"
      />
      <VTextField
        v-model="typed.days"
        data-days
        :label="workingWords.days"
        :placeholder="workingWords.daysHint"
        :messages="understood"
        :error-messages="wrong"
        @update:model-value="wrong = ''"
      />
      <VTextField v-model="typed.name" :label="workingWords.name" maxlength="120" />
      <VBtn type="submit" variant="outlined">{{ workingWords.add }}</VBtn>
    </form>
  </div>
</template>

<style scoped>
.days-off {
  container-type: inline-size;
}
ul {
  list-style: none;
  margin: 0 0 12px;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 170px minmax(0, 1fr) max-content 32px;
  gap: 4px 12px;
  align-items: center;
  min-height: 36px;
  border-bottom: 1px solid var(--rule);
}
li.whose {
  grid-template-columns: 150px 170px minmax(0, 1fr) max-content 32px;
}
li.over {
  color: var(--soft);
}
.who {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.lost {
  font: var(--type-aside);
}
form {
  display: grid;
  grid-template-columns: 150px 200px minmax(0, 1fr) auto;
  gap: 12px;
  align-items: start;
}
form:not(:has(.select-one)) {
  grid-template-columns: 200px minmax(0, 1fr) auto;
}
/* Beside the fields, under their labels. */
form > .v-btn {
  margin-top: 22px;
}
.days-off > .v-btn {
  margin-left: -4px;
}
@container (max-width: 520px) {
  form > .v-btn {
    margin-top: 0;
    justify-self: start;
  }
  li,
  li.whose {
    grid-template-columns: minmax(0, 1fr) max-content 32px;
    padding: 4px 0;
  }
  li > .what,
  li > .who {
    grid-column: 1;
  }
  li > .when {
    grid-column: 1;
  }
  li > .lost {
    grid-column: 2;
    grid-row: 1;
  }
  li > .v-btn {
    grid-column: 3;
    grid-row: 1;
  }
  form,
  form:not(:has(.select-one)) {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
