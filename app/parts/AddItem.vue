<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { VTextField } from 'vuetify/components/VTextField'

/**
 * A line in which the title of a new item is typed. `add` says whether it was taken: if not, it stays to be mended.
 * `isBrief`: it has been opened to be left again, and takes what is in it when it is.
 */
const props = defineProps<{
  label: string
  placeholder: string
  isBrief?: boolean
  add(title: string): Promise<unknown>
}>()
const emit = defineEmits<{ leave: [] }>()
const input = ref<InstanceType<typeof VTextField>>()
const title = ref('')
onMounted(() => props.isBrief && input.value?.focus())
async function take(): Promise<void> {
  const text = title.value.trim()
  title.value = ''
  if (text && !(await props.add(text))) title.value = text
}
async function blur(): Promise<void> {
  if (!props.isBrief) return
  await take()
  if (!title.value) emit('leave')
}
function escape(event: KeyboardEvent): void {
  if (props.isBrief) title.value = ''
  event.stopPropagation()
  emit('leave')
}
defineExpose({ focus: () => input.value?.focus() })
</script>

<template>
  <form class="new-item" @submit.prevent="take">
    <slot />
    <VTextField
      ref="input"
      v-model="title"
      variant="plain"
      :aria-label="label"
      :placeholder="placeholder"
      maxlength="600"
      autocomplete="off"
      @blur="blur"
      @keydown.esc="escape"
    />
  </form>
</template>

<style scoped>
form {
  align-items: center;
}
</style>
