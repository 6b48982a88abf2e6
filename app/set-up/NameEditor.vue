<script setup lang="ts">
import { computed, nextTick, onMounted, ref } from 'vue'
import { VTextField } from 'vuetify/components/VTextField'
import { longestName } from '#core/base/text'
import { isSameText } from '#core/base/collation'
import PopMenu from '../parts/PopMenu.vue'
import { statusWords } from './words'

/** A name typed beside what it is for; one that is taken is told at once. */
const props = defineProps<{ name: string; label: string; taken: readonly string[]; at: HTMLElement }>()
const emit = defineEmits<{ take: [name: string]; leave: [] }>()
const name = ref(props.name)
const isTaken = computed(() => props.taken.some((other) => isSameText(other, name.value)))
const box = ref<HTMLElement>()
onMounted(() => void nextTick(() => setTimeout(() => box.value?.querySelector('input')?.select())))
function take(): void {
  const to = name.value.trim()
  if (to && !isTaken.value) emit('take', to)
}
</script>

<template>
  <PopMenu :at="at" @close="emit('leave')">
    <form ref="box" class="box" @submit.prevent="take" @keydown.esc.prevent="emit('leave')">
      <VTextField
        v-model="name"
        :label="label"
        :maxlength="longestName"
        :error-messages="isTaken ? statusWords.taken(name.trim()) : ''"
      />
      <slot />
    </form>
  </PopMenu>
</template>

<style scoped>
.box {
  width: 300px;
  padding: 12px 14px;
}
</style>
