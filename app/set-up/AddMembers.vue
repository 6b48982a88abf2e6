<script setup lang="ts">
import { ref } from 'vue'
import { VAutocomplete } from 'vuetify/components/VAutocomplete'
import { VBtn } from 'vuetify/components/VBtn'
import { VSelect } from 'vuetify/components/VSelect'
import { VTextarea } from 'vuetify/components/VTextarea'
import { memberId } from '#core/access/access'
import type { Person, Project, Role } from '#core/model/records'
import type { InvitationsAnswer } from '#core/wire/accounts'
import PopDialog from '../parts/PopDialog.vue'
import { editorWords } from '../parts/words'
import LinksShown from '../people/LinksShown.vue'
import { addPeopleWords, invitationWords, personWords } from '../people/words'
import { callServer, plainProblem } from '../data/server'
import { useChanges } from '../data/changes'
import { membersWords } from './words'
import { vTakesFocus } from '../parts/takes-focus'

/** Takes people who are in the workspace into a project, and tells them so. */
const isOpen = defineModel<boolean>({ required: true })
const props = defineProps<{ project: Project; people: readonly Person[] }>()
const changes = useChanges()
const chosen = ref<string[]>([])
const role = ref<Exclude<Role, 'owner'>>('contributor')
const message = ref('')
const links = ref<InvitationsAnswer['links']>([])
const said = ref('')
async function add(): Promise<void> {
  const people = props.people.filter(({ id }) => chosen.value.includes(id))
  if (!people.length) return
  const { id: project } = props.project
  const members = people.map(({ id: person }) => ({ id: memberId(project, person), project, person, role: role.value }))
  const name = addPeopleWords.undo(people.length)
  const done = await changes.sendAndWait({ type: 'people.add', people: [], members }, name)
  if (!done.ok) return void (said.value = await changes.wordsFor(done.problem))
  const asked = people.filter((person) => person.role && person.email).map(({ id }) => id)
  const answer = asked.length
    ? await callServer<InvitationsAnswer>('POST', '/api/people/invite', { people: asked, message: message.value, project }) // prettier-ignore
    : undefined
  if (answer && !answer.ok) return void (said.value = plainProblem(answer.problem))
  links.value = answer?.value.links ?? []
  if (!links.value.length) isOpen.value = false
}
</script>

<template>
  <PopDialog v-model="isOpen" :label="membersWords.addTo(project.name)">
    <LinksShown v-if="links.length" :links="links" @done="isOpen = false" />
    <form v-else class="asked" @submit.prevent="add">
      <h2>{{ membersWords.addTo(project.name) }}</h2>
      <VAutocomplete
        v-model="chosen"
        :items="people.map(({ id, name }) => ({ value: id, title: name }))"
        :label="membersWords.people"
        multiple
        chips
        closable-chips
        v-takes-focus
        auto-select-first
      />
      <VSelect
        v-model="role"
        :items="(['lead', 'contributor', 'reader'] as const).map((one) => ({ value: one, title: one }))"
        :label="membersWords.here"
        :hint="personWords.inProject[role]"
        persistent-hint
      />
      <VTextarea v-model="message" :label="invitationWords.message" rows="2" maxlength="2000" />
      <p v-if="said" class="note wrong" role="alert">{{ said }}</p>
      <div class="ends">
        <VBtn type="submit" variant="flat" :disabled="!chosen.length">{{ membersWords.add }}</VBtn>
        <VBtn variant="plain" @click="isOpen = false">{{ editorWords.cancel }}</VBtn>
      </div>
    </form>
  </PopDialog>
</template>
