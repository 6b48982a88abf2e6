<script setup lang="ts">
import { ref } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { VNumberInput } from 'vuetify/components/VNumberInput'
import PopMenu from '../../parts/PopMenu.vue'
import { columnWords } from '../words'

/** How many items a column should hold at most; none: it has no limit. */
const props = defineProps<{ limit: number | null; at: HTMLElement | undefined }>()
const emit = defineEmits<{ set: [to: number | null]; leave: [] }>()
const typed = ref(props.limit)
</script>

<template>
  <PopMenu :at="at" @close="emit('leave')">
    <form class="limit" @submit.prevent="emit('set', typed)">
      <VNumberInput v-model="typed" :label="columnWords.limit" :min="0" :max="9999" autofocus />
      <p class="soft">{{ columnWords.limitHint }}</p>
      <div class="ends">
        <VBtn type="submit" variant="flat">{{ columnWords.set }}</VBtn>
        <VBtn variant="plain" @click="emit('set', null)">{{ columnWords.noLimit }}</VBtn>
      </div>
    </form>
  </PopMenu>
</template>

<style scoped>
.limit {
  padding: 14px;
  display: grid;
  gap: 10px;
  width: 248px;
}
</style>
