<script setup lang="ts">
import { computed, ref } from 'vue'
import type { View } from '#core/model/records'
import { useDirectory } from '../data/directory'
import PopMenu from '../parts/PopMenu.vue'
import ElsewhereNote from './ElsewhereNote.vue'
import { heldSaid } from './held-said'
import { heldWords } from './view-words'

/** What a view forbids, and where else it can be done. */
const props = defineProps<{ view: View }>()
const directory = useDirectory()
const project = computed(() => directory.reader.maybe('project', props.view.project))
const at = ref<HTMLElement>()
</script>

<template>
  <div class="held">
    {{ heldSaid(directory.reader, view) }}
    <button type="button" class="link" aria-haspopup="dialog" @click="at = $event.currentTarget as HTMLElement">
      {{ heldWords.whereElse }}
    </button>
    <PopMenu v-if="at && project" :at="at" @close="at = undefined">
      <div class="where" role="dialog" :aria-label="heldWords.whereElse">
        <ElsewhereNote :project="project" :of="view" holds :narrows="view.definition.where.length > 0" />
      </div>
    </PopMenu>
  </div>
</template>

<style scoped>
.held {
  color: var(--soft);
  font-size: var(--size-small);
  white-space: normal;
  max-width: 44ch;
  margin-left: auto;
}
.where {
  padding: 14px;
  width: min(380px, 92vw);
}
</style>
