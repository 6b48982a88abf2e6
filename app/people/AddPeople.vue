<script setup lang="ts">
import { computed, ref } from 'vue'
import { v7 } from 'uuid'
import { VBtn } from 'vuetify/components/VBtn'
import { VCheckbox } from 'vuetify/components/VCheckbox'
import { VSelect } from 'vuetify/components/VSelect'
import { VTextarea } from 'vuetify/components/VTextarea'
import { memberId } from '#core/access/access'
import { usualWeek } from '#core/base/week'
import { readPeople } from '#core/people/list'
import { paletteColours, type Person, type PersonId, type Role } from '#core/model/records'
import type { InvitationsAnswer } from '#core/wire/accounts'
import PopDialog from '../parts/PopDialog.vue'
import { editorWords } from '../parts/words'
import { callServer, plainProblem } from '../data/server'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import LinksShown from './LinksShown.vue'
import { rolesToGive } from './people'
import { addPeopleWords, invitationWords, peopleWords, personWords } from './words'
import { vTakesFocus } from '../parts/takes-focus'

/** Adds one person or a whole list; what each line was understood as stands below while one types. */
const isOpen = defineModel<boolean>({ required: true })
/** The projects that they take part in, where nothing else is said. */
const props = defineProps<{ into?: readonly string[] }>()
const emit = defineEmits<{ added: [] }>()
const changes = useChanges()
const directory = useDirectory()
const text = ref('')
const none = 'none'
const role = ref<string>('contributor')
const projects = ref<string[]>(
  props.into ? [...props.into] : directory.projects.length === 1 ? directory.projects.map(({ id }) => id) : [],
)
const roleChoices = computed(() => [
  ...rolesToGive(directory.may('make owners')).map((one) => ({ value: one as string, title: one as string })),
  { value: none, title: peopleWords.noAccount },
])
const message = ref('')
const getsLinks = ref(true)
/** What is shown once they are in. */
const links = ref<InvitationsAnswer['links']>([])
const said = ref('')
const runsAll = computed(() => role.value === 'owner' || role.value === 'lead')
const read = computed(() => readPeople(text.value, [...directory.reader.all('person')]))
const taken = computed(() => read.value.filter((one) => !one.fault))
/** An account needs an address to sign in with. */
const without = computed(() => (role.value === none ? [] : taken.value.filter(({ email }) => !email)))
const faults = computed(() => read.value.filter((one) => one.fault))

async function add(): Promise<void> {
  if (!taken.value.length) return
  const all = [...directory.reader.all('person')].length
  const given = role.value === none ? null : (role.value as Role)
  const people = taken.value.map(({ name, email }, i): Person => ({
    id: v7() as PersonId, name, email, role: email ? given : null, craft: null, hours: usualWeek, active: true,
    colour: paletteColours[((all + i) * 5) % paletteColours.length] ?? 'pool',
  })) // prettier-ignore
  const members =
    given && !runsAll.value
      ? people
          .filter((person) => person.role)
          .flatMap((person) =>
            directory.projects
              .filter(({ id }) => projects.value.includes(id))
              .map(({ id }) => ({ id: memberId(id, person.id), project: id, person: person.id, role: given })),
          )
      : []
  const done = await changes.sendAndWait({ type: 'people.add', people, members }, addPeopleWords.undo(people.length))
  said.value = done.ok ? '' : await changes.wordsFor(done.problem)
  if (!done.ok) return
  text.value = ''
  const asked = people.filter((person) => person.role)
  if (asked.length && getsLinks.value) await invite(asked)
  emit('added')
  if (!links.value.length && !said.value) isOpen.value = false
}
async function invite(people: readonly Person[]): Promise<void> {
  const answer = await callServer<InvitationsAnswer>('POST', '/api/people/invite', {
    people: people.map(({ id }) => id),
    message: message.value,
    project: (!runsAll.value && projects.value[0]) || null,
  })
  if (answer.ok) links.value = answer.value.links
  else said.value = plainProblem(answer.problem)
}
</script>

<template>
  <PopDialog v-model="isOpen" :label="addPeopleWords.title">
    <LinksShown v-if="links.length" :links="links" @done="isOpen = false" />
    <form v-else class="asked" @submit.prevent="add" @keydown.ctrl.enter.prevent="add">
      <h2>{{ addPeopleWords.title }}</h2>
      <VTextarea
        v-model="text"
        :label="addPeopleWords.list"
        :placeholder="addPeopleWords.example"
        :hint="addPeopleWords.listHint"
        persistent-hint
        rows="3"
        max-rows="10"
        v-takes-focus
      />
      <div v-if="faults.length" class="note mind" role="status">
        <ul class="faults">
          <li v-for="one in faults" :key="one.line">
            {{ addPeopleWords.line(one.line) }}: <b>{{ one.email ?? one.name }}</b>
            {{ one.fault && addPeopleWords.faults[one.fault] }}
          </li>
        </ul>
      </div>
      <p v-if="without.length" class="soft">{{ addPeopleWords.without(without.map(({ name }) => name)) }}</p>
      <div class="two">
        <VSelect v-model="role" :items="roleChoices" :label="addPeopleWords.role" />
        <VSelect
          v-if="!runsAll && role !== none && directory.projects.length"
          v-model="projects"
          :items="directory.projects.map(({ id, name }) => ({ value: id, title: name }))"
          :label="addPeopleWords.projects"
          :placeholder="addPeopleWords.noProjects"
          multiple
        />
      </div>
      <p class="soft">{{ personWords.roles[role as keyof typeof personWords.roles] }}</p>
      <template v-if="role !== none">
        <VCheckbox v-model="getsLinks" :label="invitationWords.sendLinks" />
        <VTextarea v-if="getsLinks" v-model="message" :label="invitationWords.message" rows="2" maxlength="2000" />
      </template>
      <p v-if="said" class="note wrong" role="alert">{{ said }}</p>
      <div class="ends">
        <VBtn type="submit" variant="flat" :disabled="!taken.length">{{ addPeopleWords.go(taken.length) }}</VBtn>
        <VBtn variant="plain" @click="isOpen = false">{{ editorWords.cancel }}</VBtn>
      </div>
    </form>
  </PopDialog>
</template>

<style scoped>
.faults {
  margin: 0;
  padding-left: 28px;
  max-height: 130px;
  overflow: auto;
  overflow-wrap: anywhere;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px;
}
.ends {
  display: flex;
  gap: 18px;
  align-items: center;
}
@media (max-width: 480px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
