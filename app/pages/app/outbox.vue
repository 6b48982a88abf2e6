<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import type { SentMessage } from '#core/wire/accounts'
import AppFrame from '../../shell/AppFrame.vue'
import { useDirectory } from '../../data/directory'
import { callServer } from '../../data/server'
import { momentWords } from '../../dates'
import { outboxWords } from '../../people/settings-words'
import { frameWords } from '../../shell/words'

/** What was sent to people, for owners. */
const directory = useDirectory()
const messages = ref<readonly SentMessage[]>()
const maySee = computed(() => directory.may('make owners'))
onMounted(async () => {
  const answer = maySee.value ? await callServer<{ messages: SentMessage[] }>('GET', '/api/outbox') : undefined
  messages.value = answer?.ok ? answer.value.messages : []
})
const moment = (instant: string) =>
  momentWords(instant, directory.language, directory.today, directory.reader.workspace().timeZone)
const stands = ({ sent, trouble }: SentMessage) =>
  sent ? outboxWords.sent : trouble ? outboxWords.trouble(trouble) : outboxWords.kept
</script>

<template>
  <AppFrame>
    <template #sentence
      ><h1>{{ frameWords.outbox }}</h1></template
    >
    <div class="plain-page">
      <p v-if="!maySee" class="soft">{{ outboxWords.notYours }}</p>
      <template v-else-if="messages">
        <p class="soft">
          {{ outboxWords.about }}
          <template v-if="messages.length && !messages.some(({ sent }) => sent)">{{ outboxWords.noServer }}</template>
        </p>
        <div v-if="!messages.length" class="empty">
          <h2>{{ outboxWords.none }}</h2>
          <p class="soft">{{ outboxWords.noneAbout }}</p>
        </div>
        <details v-for="one in messages" :key="one.id">
          <summary>
            <span class="one-line to">{{ one.to }}</span>
            <span class="one-line subject">{{ one.subject }}</span>
            <span class="one-line soft" :class="{ rust: one.trouble }">{{ stands(one) }}</span>
            <span class="soft">{{ moment(one.made) }}</span>
          </summary>
          <pre>{{ one.text }}</pre>
        </details>
      </template>
    </div>
  </AppFrame>
</template>

<style scoped>
h1 {
  font: var(--type-heading);
}
.empty {
  padding: 40px 0;
  max-width: 46ch;
}
h2 {
  font: var(--type-title);
}
details {
  border-bottom: 1px solid var(--rule);
}
summary {
  display: grid;
  grid-template-columns: minmax(120px, 1fr) minmax(160px, 2fr) minmax(90px, 160px) auto;
  gap: 16px;
  min-height: max(36px, var(--target));
  align-items: center;
  cursor: pointer;
}
.subject {
  font-weight: 600;
}
pre {
  margin: 0;
  padding: 8px 0 16px;
  font: var(--type-plain);
  white-space: pre-wrap;
  overflow-wrap: anywhere;
  max-width: 70ch;
}
@media (max-width: 700px) {
  summary {
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 2px 12px;
    padding: 8px 0;
  }
}
</style>
