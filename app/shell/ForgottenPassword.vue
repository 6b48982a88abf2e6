<script setup lang="ts">
import { ref } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { VTextField } from 'vuetify/components/VTextField'
import { callServer, plainProblem } from '../data/server'
import { signInWords } from './sign-in-words'
import { vTakesFocus } from '../parts/takes-focus'

/** Asks for a link with which to set a new password. What it says is the same for an address that nobody has. */
const props = defineProps<{ email: string }>()
const emit = defineEmits<{ leave: [] }>()
const email = ref(props.email)
const said = ref('')
const isSent = ref(false)
const isBusy = ref(false)
async function ask(): Promise<void> {
  isBusy.value = true
  const answer = await callServer('POST', '/api/password/forgotten', { email: email.value.trim() })
  isBusy.value = false
  isSent.value = answer.ok
  said.value = answer.ok ? '' : plainProblem(answer.problem)
}
</script>

<template>
  <form @submit.prevent="ask">
    <p v-if="isSent" class="note" role="status">{{ signInWords.forgottenSent(email) }}</p>
    <template v-else>
      <p class="soft">{{ signInWords.forgottenAbout }}</p>
      <VTextField
        v-model="email"
        :label="signInWords.email"
        type="email"
        required
        autocomplete="username"
        v-takes-focus
      />
      <p v-if="said" class="note wrong" role="alert">{{ said }}</p>
      <VBtn type="submit" variant="flat" size="large" :disabled="isBusy">{{ signInWords.sendLink }}</VBtn>
    </template>
    <VBtn variant="plain" @click="emit('leave')">{{ signInWords.back }}</VBtn>
  </form>
</template>
