<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { VTextField } from 'vuetify/components/VTextField'
import { densities, themes } from '#core/model/names'
import type { Preference } from '#core/model/records'
import type { SessionAnswer } from '#core/wire/accounts'
import AppFrame from '../../shell/AppFrame.vue'
import SectionHead from '../../parts/SectionHead.vue'
import SelectOne from '../../parts/SelectOne.vue'
import { useChanges } from '../../data/changes'
import { useDirectory } from '../../data/directory'
import { callServer, plainProblem } from '../../data/server'
import { usePreferences } from '../../data/preferences'
import { momentWords } from '../../dates'
import LineEditor from '../../people/LineEditor.vue'
import { settingsWords } from '../../people/settings-words'
import { peopleWords } from '../../people/words'
import { editorWords } from '../../parts/words'
import { frameWords } from '../../shell/words'

/** What is one's own: name, password, how pages look, where one is signed in. */
const directory = useDirectory()
const changes = useChanges()
const preferences = usePreferences()
const me = computed(() => directory.me)
const password = ref({ old: '', next: '' })
const said = ref<{ text: string; isWrong: boolean }>()
const sessions = ref<readonly SessionAnswer[]>([])
const choices = <V extends string>(all: readonly V[]) => all.map((value) => ({ value, title: settingsWords.choices[value as keyof typeof settingsWords.choices] })) // prettier-ignore
const weekStarts = [1, 6, 7].map((day) => ({ value: String(day), title: settingsWords.weekdays[day] ?? '' }))
const isDemo = computed(() => directory.reader.workspace().demo)
const moment = (instant: string) =>
  momentWords(instant, directory.language, directory.today, directory.reader.workspace().timeZone)

async function look(): Promise<void> {
  const answer = await callServer<{ sessions: SessionAnswer[] }>('GET', '/api/sessions')
  if (answer.ok) sessions.value = answer.value.sessions
}
onMounted(look)
async function end(id: string): Promise<void> {
  const answer = await callServer('DELETE', `/api/sessions/${encodeURIComponent(id)}`)
  if (!answer.ok) changes.say(plainProblem(answer.problem))
  await look()
}
function rename(to: string): void {
  if (me.value && to)
    void changes.send({ type: 'person.set', target: me.value.id, set: { name: { from: me.value.name, to } } })
}
async function changePassword(): Promise<void> {
  const { old, next } = password.value
  const answer = await callServer('POST', '/api/password', { old, password: next })
  said.value = answer.ok
    ? { text: settingsWords.changed, isWrong: false }
    : { text: plainProblem(answer.problem), isWrong: true }
  if (!answer.ok) return
  password.value = { old: '', next: '' }
  await look()
}
</script>

<template>
  <AppFrame>
    <template #sentence
      ><h1>{{ frameWords.settings }}</h1></template
    >
    <div class="list plain-page">
      <section>
        <SectionHead :title="settingsWords.you" />
        <dl>
          <dt>{{ peopleWords.name }}</dt>
          <dd>
            <LineEditor :text="me?.name ?? ''" :label="editorWords.edit(peopleWords.name)" may-edit @set="rename" />
          </dd>
          <dt>{{ peopleWords.email }}</dt>
          <dd class="plain">{{ me?.email }}</dd>
          <dt>{{ settingsWords.theme }}</dt>
          <dd>
            <SelectOne
              :choices="choices(themes)"
              :chosen="preferences.theme"
              :label="settingsWords.theme"
              @choose="preferences.choose({ theme: $event as Preference['theme'] })"
            />
          </dd>
          <dt>{{ settingsWords.density }}</dt>
          <dd>
            <SelectOne
              :choices="choices(densities)"
              :chosen="preferences.own.density"
              :label="settingsWords.density"
              @choose="preferences.choose({ density: $event })"
            />
          </dd>
          <dt>{{ settingsWords.weekStart }}</dt>
          <dd>
            <SelectOne
              :choices="weekStarts"
              :chosen="String(preferences.own.weekStart)"
              :label="settingsWords.weekStart"
              @choose="preferences.choose({ weekStart: Number($event) })"
            />
          </dd>
        </dl>
      </section>
      <section v-if="!isDemo">
        <SectionHead :title="settingsWords.password" />
        <form @submit.prevent="changePassword">
          <VTextField
            v-model="password.old"
            :label="settingsWords.old"
            type="password"
            required
            autocomplete="current-password"
          />
          <VTextField
            v-model="password.next"
            :label="settingsWords.next"
            type="password"
            required
            minlength="10"
            maxlength="200"
            autocomplete="new-password"
          />
          <p v-if="said" class="note" :class="{ wrong: said.isWrong }" role="status">{{ said.text }}</p>
          <p class="soft">{{ settingsWords.endsOthers }}</p>
          <VBtn type="submit" variant="outlined">{{ settingsWords.change }}</VBtn>
        </form>
      </section>
      <section>
        <SectionHead :title="settingsWords.sessions" />
        <ul>
          <li v-for="one in sessions" :key="one.id">
            <span
              >{{ one.isThis ? settingsWords.thisBrowser : settingsWords.another }}
              <small class="soft">{{ settingsWords.since(moment(one.made), moment(one.lastSeen)) }}</small></span
            >
            <VBtn v-if="!one.isThis" variant="plain" @click="end(one.id)">{{ settingsWords.end }}</VBtn>
          </li>
        </ul>
      </section>
    </div>
  </AppFrame>
</template>

<style scoped>
h1 {
  font: var(--type-heading);
}
.list {
  display: grid;
  gap: 24px;
  align-content: start;
}
section {
  max-width: 520px;
}
dl {
  display: grid;
  grid-template-columns: 120px minmax(0, 1fr);
  gap: 4px 12px;
  align-items: center;
  margin: 0;
}
dt {
  color: var(--soft);
}
dd {
  margin: 0;
  min-height: 28px;
  overflow-wrap: anywhere;
}
.plain {
  line-height: 28px;
}
form {
  display: grid;
  gap: 14px;
  justify-items: start;
  max-width: 320px;
}
form .v-input {
  width: 100%;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  align-items: center;
  min-height: 40px;
  border-bottom: 1px solid var(--rule);
}
small {
  display: block;
  font: var(--type-aside);
}
</style>
