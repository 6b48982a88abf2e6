<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { navigateTo, useFetch } from 'nuxt/app'
import { VApp } from 'vuetify/components/VApp'
import { VBtn } from 'vuetify/components/VBtn'
import { VTextField } from 'vuetify/components/VTextField'
import { problemWords } from '#core/access/problem-words'
import type { Problem } from '#core/base/result'
import { PersonPebble } from '../parts/marks'
import WrenMark from '../parts/WrenMark.vue'
import { signInWords } from '../shell/sign-in-words'
import { frameWords, lineWords } from '../shell/words'

interface Welcome {
  readonly founded: boolean
  readonly demo?: boolean
  readonly people?: readonly { id: string; name: string; role: string; colour: string; turn: number; late: number }[]
}
const { data: welcome } = await useFetch<Welcome>('/api/welcome')
const form = ref({ email: '', password: '', code: '', name: '', workspace: '', timeZone: 'Europe/Berlin' })
const said = ref('')
const isBusy = ref(false)
const isReady = ref(false)
const isFirst = computed(() => welcome.value?.founded === false)
const naming = { key: String, field: String, value: (_: string, value: unknown) => String(value), person: String }
onMounted(() => {
  form.value.timeZone = new Intl.DateTimeFormat().resolvedOptions().timeZone || 'Europe/Berlin'
  isReady.value = true
})

async function enter(path: string, body: object): Promise<void> {
  isBusy.value = true
  said.value = ''
  try {
    const response = await fetch(path, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    })
    if (response.ok) return void (await navigateTo('/app', { external: true }))
    const answer = (await response.json()) as { problem?: Problem }
    said.value = problemWords(answer.problem ?? { code: 'unexpected' }, naming)
  } catch {
    said.value = lineWords.noServer
  } finally {
    isBusy.value = false
  }
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
  <VApp
    ><main class="page" :class="{ two: welcome?.demo }">
      <section class="left">
        <div class="mark"><WrenMark large />{{ frameWords.app }}</div>
        <h1>{{ isFirst ? signInWords.first : signInWords.claim }}</h1>
        <p v-if="!welcome" class="note wrong" role="alert">{{ lineWords.noServer }}</p>
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
              maxlength="120"
            />
            <VTextField
              :label="signInWords.yourName"
              :readonly="!isReady"
              v-model="form.name"
              required
              maxlength="120"
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
          <VTextField
            v-if="isFirst"
            :label="signInWords.timeZone"
            :readonly="!isReady"
            v-model="form.timeZone"
            required
          />
          <p v-if="said" class="note wrong" role="alert">{{ said }}</p>
          <VBtn type="submit" variant="flat" size="large" :disabled="isBusy || !isReady">{{
            isFirst ? signInWords.make : signInWords.go
          }}</VBtn>
          <p v-if="!isFirst" class="soft">{{ signInWords.noAccount }}</p>
        </form>
      </section>
      <section v-if="welcome?.demo" class="people">
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
      </section>
    </main></VApp
  >
</template>

<style scoped>
.page {
  min-height: 100dvh;
  display: grid;
  grid-template: 1fr / minmax(0, 1fr);
  justify-items: center;
}
.two {
  grid-template-columns: 470px minmax(0, 1fr);
}
.left {
  padding: 32px 56px;
  display: flex;
  flex-direction: column;
  justify-content: center;
  gap: 16px;
  width: 100%;
  max-width: 470px;
}
form {
  display: grid;
  gap: 16px;
}
form .v-btn {
  justify-self: start;
}
.mark {
  display: flex;
  align-items: center;
  gap: 8px;
  font: var(--type-figure);
  letter-spacing: -0.01em;
}
h1 {
  font: var(--type-large);
  letter-spacing: -0.01em;
  text-wrap: balance;
}
.people {
  background: var(--sunk);
  border-left: 1px solid var(--rule);
  padding: 48px 64px;
  display: flex;
  flex-direction: column;
  gap: 14px;
  justify-content: center;
  width: 100%;
}
h2 {
  font: var(--type-name);
}
.people p {
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
@media (max-width: 900px) {
  .two {
    grid-template: auto auto / minmax(0, 1fr);
  }
  .left {
    padding: 32px 24px;
  }
  .people {
    border-left: 0;
    border-top: 1px solid var(--rule);
    padding: 24px;
  }
  .page {
    height: 100dvh;
    overflow: auto;
  }
}
</style>
