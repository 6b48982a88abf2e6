<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { navigateTo } from 'nuxt/app'
import { VBtn } from 'vuetify/components/VBtn'
import { VTextField } from 'vuetify/components/VTextField'
import { longestName } from '#core/base/text'
import { firstAnswer } from '../data/first-answer'
import { callServer, plainProblem } from '../data/server'
import { PersonPebble } from '../parts/marks'
import DoorPage from '../shell/DoorPage.vue'
import ForgottenPassword from '../shell/ForgottenPassword.vue'
import { signInWords } from '../shell/sign-in-words'
import { lineWords } from '../shell/words'

interface Welcome {
  readonly founded: boolean
  readonly demo?: boolean
  readonly people?: readonly { id: string; name: string; role: string; colour: string; turn: number; late: number }[]
}
const welcome = await firstAnswer<Welcome>('/api/welcome')
const form = ref({ email: '', password: '', code: '', name: '', workspace: '', timeZone: 'Europe/Berlin' })
const said = ref('')
const isBusy = ref(false)
const isReady = ref(false)
const isFirst = computed(() => welcome.value?.founded === false)
const isForgotten = ref(false)
onMounted(() => {
  form.value.timeZone = new Intl.DateTimeFormat().resolvedOptions().timeZone || 'Europe/Berlin'
  isReady.value = true
})

async function enter(path: string, body: object): Promise<void> {
  isBusy.value = true
  said.value = ''
  const answer = await callServer('POST', path, body)
  if (answer.ok) return void (await navigateTo('/app', { external: true }))
  said.value = answer.problem.code === 'no-answer' ? lineWords.noServer : plainProblem(answer.problem)
  isBusy.value = false
}
const signIn = () => enter('/api/session', { email: form.value.email, password: form.value.password })
const stepIn = (person: string) => enter('/api/session', { person })
const makeOwner = () => enter('/api/owner', form.value)
const about = (person: { role: string; turn: number; late: number }) =>
  person.role === 'reader'
    ? signInWords.reader
    : `${person.role === 'contributor' ? '' : `${person.role} · `}${signInWords.inTurn(person.turn, person.late)}`
</script>

<template>
  <DoorPage :title="isFirst ? signInWords.first : isForgotten ? signInWords.forgottenTitle : signInWords.claim">
    <p v-if="!welcome" class="note wrong" role="alert">{{ lineWords.noServer }}</p>
    <ForgottenPassword v-else-if="isForgotten" :email="form.email" @leave="isForgotten = false" />
    <form v-else @submit.prevent="isFirst ? makeOwner() : signIn()">
      <template v-if="isFirst">
        <p class="soft">{{ signInWords.firstAbout }}</p>
        <VTextField
          :label="signInWords.code"
          :readonly="!isReady"
          v-model="form.code"
          required
          autocomplete="off"
          spellcheck="false"
        />
        <VTextField
          :label="signInWords.workspace"
          :readonly="!isReady"
          v-model="form.workspace"
          required
          :maxlength="longestName"
        />
        <VTextField
          :label="signInWords.yourName"
          :readonly="!isReady"
          v-model="form.name"
          required
          :maxlength="longestName"
          autocomplete="name"
        />
      </template>
      <VTextField
        :label="signInWords.email"
        :readonly="!isReady"
        v-model="form.email"
        type="email"
        required
        autocomplete="username"
      />
      <VTextField
        :label="isFirst ? signInWords.newPassword : signInWords.password"
        :readonly="!isReady"
        v-model="form.password"
        type="password"
        required
        :minlength="isFirst ? 10 : undefined"
        :autocomplete="isFirst ? 'new-password' : 'current-password'"
      />
      <VTextField v-if="isFirst" :label="signInWords.timeZone" :readonly="!isReady" v-model="form.timeZone" required />
      <p v-if="said" class="note wrong" role="alert">{{ said }}</p>
      <VBtn type="submit" variant="flat" size="large" :disabled="isBusy || !isReady">{{
        isFirst ? signInWords.make : signInWords.go
      }}</VBtn>
      <template v-if="!isFirst">
        <VBtn variant="plain" class="forgotten" @click="isForgotten = true">{{ signInWords.forgotten }}</VBtn>
        <p class="soft">{{ signInWords.noAccount }}</p>
      </template>
    </form>

    <template v-if="welcome?.demo" #beside>
      <h2>{{ signInWords.demo }}</h2>
      <p class="soft">{{ signInWords.demoAbout(welcome.people?.length ?? 0) }}</p>
      <div class="who">
        <button
          v-for="person in welcome.people"
          :key="person.id"
          type="button"
          :disabled="isBusy || !isReady"
          @click="stepIn(person.id)"
        >
          <PersonPebble :person="person" large aria-hidden="true" /><b>{{ person.name }}</b
          ><span class="soft">{{ about(person) }}</span>
        </button>
      </div>
    </template>
  </DoorPage>
</template>

<style scoped>
h2 {
  font: var(--type-name);
}
p {
  max-width: 56ch;
  font-size: 14px;
}
.who {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  gap: 8px;
}
.who button {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 2px 12px;
  align-items: center;
  background: var(--raised);
  border: 1px solid var(--rule);
  border-radius: var(--round-card);
  padding: 9px 12px;
}
.who button:hover {
  border-color: var(--leaf);
}
.who :deep(.pebble) {
  grid-row: 1 / 3;
}
.who b {
  font-weight: 600;
  font-size: 14px;
}
.who span:last-child {
  font-size: var(--size-small);
}
/* A plain button keeps some room at its sides. */
.forgotten {
  margin: -8px 0 0 -4px;
}
</style>
