<script setup lang="ts">
import { mdiClose } from '@mdi/js'
import { VBtn } from 'vuetify/components/VBtn'
import { VSnackbar } from 'vuetify/components/VSnackbar'
import IconButton from '../parts/IconButton.vue'
import { useChanges } from '../data/changes'
import FillIn from './FillIn.vue'
import OverruleLimit from './OverruleLimit.vue'
import { noticeWords } from './words'

/** What was refused, and why; stays until it is closed. */
const changes = useChanges()
function again(id: number, act: () => void): void {
  changes.dismiss(id)
  act()
}
</script>

<template>
  <VSnackbar
    v-for="(notice, i) in changes.notices"
    :key="notice.id"
    :model-value="true"
    class="notice"
    role="alert"
    location="bottom start"
    timeout="-1"
    :queue-index="changes.notices.length - 1 - i"
    :queue-gap="8"
  >
    {{ notice.text }}
    <template #actions>
      <VBtn v-if="notice.again" variant="plain" @click="again(notice.id, notice.again)">{{
        notice.label ?? noticeWords.tryAgain
      }}</VBtn>
      <IconButton :icon="mdiClose" :label="noticeWords.dismiss" @click="changes.dismiss(notice.id)" />
    </template>
  </VSnackbar>
  <FillIn v-if="changes.lacking" :lacking="changes.lacking" @close="changes.lacking = undefined" />
  <OverruleLimit v-if="changes.full" :full="changes.full" @close="changes.full = undefined" />
</template>

<style scoped>
/* Above the line in which items are added: what is to be mended there stays in sight. */
.notice :deep(.v-snackbar__wrapper) {
  margin-bottom: calc(var(--row) + 4px);
}
</style>
