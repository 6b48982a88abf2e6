<script setup lang="ts">
import { computed, shallowRef } from 'vue'
import { useRoute } from 'vue-router'
import { useDirectory } from '../data/directory'
import { useAsk } from '../data/use-ask'
import { useViews } from '../data/views'
import PopDialog from '../parts/PopDialog.vue'
import ItemFinder from '../parts/ItemFinder.vue'
import { whyWords } from '../item/why-words'
import { frameWords } from './words'

/** Finds items of every project and opens one; says which are not in the view that one looks at: opened, they say why. */
const isOpen = defineModel<boolean>({ required: true })
const emit = defineEmits<{ open: [key: string] }>()
const route = useRoute()
const ask = useAsk()
const directory = useDirectory()
const views = useViews()
const view = computed(() => directory.reader.maybe('view', String(route.params.view)))
const outside = shallowRef<ReadonlySet<string>>(new Set())
async function look(ids: readonly string[]): Promise<void> {
  const { value } = view
  if (!value) return
  const input = { project: value.project, view: views.definitionOf(value), items: ids }
  outside.value = new Set(await ask('notIn', input))
}
function open(key: string): void {
  isOpen.value = false
  emit('open', key)
}
</script>

<template>
  <PopDialog v-model="isOpen" :label="frameWords.search">
    <div class="search">
      <ItemFinder :label="frameWords.search" @found="look" @choose="open($event.key)" @leave="isOpen = false">
        <template #note="{ one }"
          ><span v-if="outside.has(one.id)" class="note">{{ whyWords.notHere }}</span></template
        >
      </ItemFinder>
    </div>
  </PopDialog>
</template>

<style scoped>
.search {
  padding: 14px 16px;
}
.note {
  color: var(--rust);
  font-size: var(--size-small);
  margin-left: 6px;
}
</style>
