<script setup lang="ts">
import { VBtn } from 'vuetify/components/VBtn'
import type { InvitationsAnswer } from '#core/wire/accounts'
import { copyText } from '../parts/copy'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { invitationWords } from './words'

/** The links of an invitation: shown once, to be copied. */
const props = defineProps<{ links: InvitationsAnswer['links'] }>()
const changes = useChanges()
const directory = useDirectory()
const nameOf = (id: string) => directory.reader.names.person(id) ?? ''
async function copy(text: string): Promise<void> {
  await copyText(text)
  changes.say(invitationWords.copied)
}
const all = () => props.links.flatMap(({ person, address }) => (address ? [`${nameOf(person)}: ${address}`] : []))
</script>

<template>
  <div class="links">
    <div v-for="{ person, address, isSent } in links" :key="person" class="link-line">
      <b v-if="links.length > 1" class="one-line">{{ nameOf(person) }}</b>
      <code v-if="address" class="one-line">{{ address }}</code>
      <span v-else class="soft">{{ invitationWords.hasPassword(isSent) }}</span>
      <VBtn v-if="address" variant="outlined" @click="copy(address)">{{ invitationWords.copy }}</VBtn>
      <small v-if="address" class="soft">{{ invitationWords.once(isSent) }}</small>
    </div>
    <VBtn v-if="all().length > 1" variant="plain" @click="copy(all().join('\n'))">{{ invitationWords.copyAll }}</VBtn>
  </div>
</template>

<style scoped>
.links {
  display: grid;
  gap: 10px;
  justify-items: start;
}
.link-line {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 2px 10px;
  align-items: center;
  justify-self: stretch;
}
b,
small {
  grid-column: 1 / -1;
}
code {
  padding: 4px 8px;
  background: var(--sunk);
  border-radius: var(--round);
  font-size: var(--size-small);
}
small {
  font: var(--type-aside);
}
</style>
