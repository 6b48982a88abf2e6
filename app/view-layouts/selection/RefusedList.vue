<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { useChanges } from '../../data/changes'
import { editorWords } from '../../parts/words'
import PopDialog from '../../parts/PopDialog.vue'
import type { PartlyRefused } from './use-for-many'
import { selectionWords } from './words'

/** For which of several items a change was refused, and why; it can be done for the others. */
const props = defineProps<{ refused: PartlyRefused }>()
const emit = defineEmits<{ go: []; close: [] }>()
const changes = useChanges()
const isOpen = computed({ get: () => true, set: (opens) => opens || emit('close') })
/** So many are named. */
const most = 20
const shown = ref<readonly { key: string; title: string; why: string }[]>([])
watch(
  () => props.refused,
  async ({ refused }) => {
    shown.value = await Promise.all(
      refused
        .slice(0, most)
        .map(async ({ key, title, problem }) => ({ key, title, why: await changes.wordsFor(problem) })),
    )
  },
  { immediate: true },
)
const all = computed(() => props.refused.fine.length + props.refused.refused.length)
const title = computed(() => selectionWords.refusedTitle(props.refused.refused.length, all.value))
</script>

<template>
  <PopDialog v-model="isOpen" :label="title">
    <form class="asked" @submit.prevent="emit('go')">
      <h2>{{ title }}</h2>
      <ul>
        <li v-for="one in shown" :key="one.key">
          <span class="num soft">{{ one.key }}</span> {{ one.title }} <span class="rust">{{ one.why }}</span>
        </li>
        <li v-if="refused.refused.length > most" class="soft">
          {{ selectionWords.more(refused.refused.length - most) }}
        </li>
      </ul>
      <p v-if="!refused.fine.length">{{ selectionWords.none }}</p>
      <div class="ends">
        <VBtn v-if="refused.fine.length" type="submit" variant="flat" autofocus>{{
          selectionWords.goOn(refused.fine.length)
        }}</VBtn>
        <VBtn variant="plain" @click="emit('close')">{{ editorWords.cancel }}</VBtn>
      </div>
    </form>
  </PopDialog>
</template>

<style scoped>
ul {
  display: grid;
  gap: 6px;
  max-height: 50vh;
  overflow: auto;
}
</style>
