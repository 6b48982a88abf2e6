<script setup lang="ts">
import { VBtn } from 'vuetify/components/VBtn'
import type { InvitationsAnswer } from '#core/wire/accounts'
import LinkList from './LinkList.vue'
import { invitationWords } from './words'

/** One-time links, which are shown once. */
defineProps<{ links: InvitationsAnswer['links'] }>()
const emit = defineEmits<{ done: [] }>()
</script>

<template>
  <div class="asked">
    <h2>{{ invitationWords.linksTitle(links.length) }}</h2>
    <LinkList :links="links" />
    <div class="ends">
      <VBtn variant="flat" @click="emit('done')">{{ invitationWords.done }}</VBtn>
    </div>
  </div>
</template>
