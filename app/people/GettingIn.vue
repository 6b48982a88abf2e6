<script setup lang="ts">
import { computed, ref } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import type { Account, InvitationsAnswer } from '#core/wire/accounts'
import type { Person } from '#core/model/records'
import { callServer, plainProblem } from '../data/server'
import { useDirectory } from '../data/directory'
import { dayWords } from '../dates'
import { dateIn } from '#core/base/dates'
import SectionHead from '../parts/SectionHead.vue'
import LinkList from './LinkList.vue'
import { invitationWords } from './words'

/** How somebody gets in who has a role: a link with which they set a password. */
const props = defineProps<{ person: Person; account: Account | undefined }>()
const emit = defineEmits<{ changed: [] }>()
const directory = useDirectory()
const links = ref<InvitationsAnswer['links']>([])
const said = ref('')
const stands = computed(() => {
  const { hasPassword, linkUntil } = props.account ?? {}
  if (!props.person.email) return invitationWords.needsAddress
  if (hasPassword) return invitationWords.isIn
  if (!linkUntil) return invitationWords.isOut
  const day = dayWords(dateIn(directory.reader.workspace().timeZone, linkUntil), directory.language, directory.today)
  return invitationWords.isAsked(day)
})
async function invite(): Promise<void> {
  const answer = await callServer<InvitationsAnswer>('POST', '/api/people/invite', {
    people: [props.person.id], message: '', project: null,
  }) // prettier-ignore
  said.value = answer.ok ? '' : plainProblem(answer.problem)
  if (answer.ok) links.value = answer.value.links
  emit('changed')
}
</script>

<template>
  <section>
    <SectionHead :title="invitationWords.title" />
    <p class="soft">{{ stands }}</p>
    <LinkList v-if="links.length" :links="links" />
    <VBtn v-else-if="person.email && account && !account.hasPassword" variant="outlined" @click="invite">{{
      account.linkUntil ? invitationWords.another : invitationWords.makeLink
    }}</VBtn>
    <p v-if="said" class="note wrong" role="alert">{{ said }}</p>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 8px;
  justify-items: start;
}
section > :deep(h3),
section > :deep(.links) {
  justify-self: stretch;
}
</style>
