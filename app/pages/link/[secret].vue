<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { navigateTo } from 'nuxt/app'
import { useRoute } from 'vue-router'
import { VBtn } from 'vuetify/components/VBtn'
import { VTextField } from 'vuetify/components/VTextField'
import type { LinkAnswer } from '#core/wire/accounts'
import { firstAnswer } from '../../data/first-answer'
import { callServer, plainProblem } from '../../data/server'
import DoorPage from '../../shell/DoorPage.vue'
import { signInWords } from '../../shell/sign-in-words'
import { vTakesFocus } from '../../parts/takes-focus'

/** A one-time link: its person sets a password, and is in. */
const route = useRoute()
const path = `/api/links/${encodeURIComponent(String(route.params.secret))}`
const link = await firstAnswer<LinkAnswer>(path)
const password = ref('')
const said = ref('')
const isBusy = ref(false)
const isReady = ref(false)
onMounted(() => (isReady.value = true))
async function set(): Promise<void> {
  isBusy.value = true
  const answer = await callServer('POST', path, { password: password.value })
  if (answer.ok) return void (await navigateTo('/app', { external: true }))
  said.value = plainProblem(answer.problem)
  isBusy.value = false
}
</script>

<template>
  <DoorPage :title="link ? signInWords.linkTitle(link.name) : signInWords.linkOver">
    <form v-if="link" @submit.prevent="set">
      <p class="soft">{{ signInWords.linkAbout(link.workspace) }}</p>
      <VTextField
        v-if="link.email"
        :model-value="link.email"
        :label="signInWords.email"
        type="email"
        autocomplete="username"
        readonly
      />
      <VTextField
        v-model="password"
        :label="signInWords.newPassword"
        :readonly="!isReady"
        type="password"
        required
        minlength="10"
        maxlength="200"
        autocomplete="new-password"
        v-takes-focus
      />
      <p v-if="said" class="note wrong" role="alert">{{ said }}</p>
      <VBtn type="submit" variant="flat" size="large" :disabled="isBusy || !isReady">{{
        signInWords.setPassword
      }}</VBtn>
    </form>
    <template v-else>
      <p class="soft">{{ signInWords.linkOverAbout }}</p>
      <p>
        <VBtn variant="outlined" to="/sign-in">{{ signInWords.go }}</VBtn>
      </p>
    </template>
  </DoorPage>
</template>
