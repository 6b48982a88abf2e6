<script setup lang="ts">
import { computed, inject } from 'vue'
import { VDatePicker } from 'vuetify/components/VDatePicker'
import { VuetifyDateAdapter } from 'vuetify/lib/composables/date/adapters/vuetify.js'
import { VTextField } from 'vuetify/components/VTextField'
import { isPlainDate } from '#core/base/dates'
import { usePreferences } from '../data/preferences'
import { useSecondStep } from './second-step'
import { vTakesFocus } from './takes-focus'

/** A day: typed, or pressed in the month below. */
const text = defineModel<string>({ required: true })
defineProps<{ label: string; wrong?: string; understood?: string }>()
const emit = defineEmits<{ pick: [] }>()
// What the picker knows of days comes with it: until then no page needs it (nuxt.config.ts).
const dates = inject<{ adapter: unknown }>(Symbol.for('vuetify:date-options'))
if (dates) dates.adapter = VuetifyDateAdapter
const preferences = usePreferences()
const isMonthDue = useSecondStep()
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
    <VTextField
      v-model="text"
      variant="underlined"
      v-takes-focus
      :aria-label="label"
      :error-messages="wrong"
      :messages="understood"
    />
    <div class="month">
      <VDatePicker v-if="isMonthDue" v-model="picked" :first-day-of-week="preferences.own.weekStart % 7" />
    </div>
  </div>
</template>

<style scoped>
.day {
  padding: 8px 10px;
}
/* Its room is kept until it comes. */
.month {
  min-width: 328px;
  min-height: 344px;
}
</style>
