<script setup lang="ts">
import { computed } from 'vue'
import { VDatePicker } from 'vuetify/components/VDatePicker'
import { VTextField } from 'vuetify/components/VTextField'
import { isPlainDate } from '#core/base/dates'

/** A day: typed, or pressed in the month below. */
const text = defineModel<string>({ required: true })
defineProps<{ label: string; wrong?: string }>()
const emit = defineEmits<{ pick: [] }>()
/** The picker knows days as moments of the browser's clock. */
const picked = computed({
  get: () => (isPlainDate(text.value) ? new Date(`${text.value}T00:00`) : undefined),
  set(day) {
    if (!day) return
    const two = (n: number) => String(n).padStart(2, '0')
    text.value = `${day.getFullYear()}-${two(day.getMonth() + 1)}-${two(day.getDate())}`
    emit('pick')
  },
})
</script>

<template>
  <div class="day">
    <VTextField v-model="text" variant="underlined" autofocus :aria-label="label" :error-messages="wrong" />
    <VDatePicker v-model="picked" />
  </div>
</template>

<style scoped>
.day {
  padding: 8px 10px;
}
</style>
