<script setup lang="ts">
import { computed } from 'vue'
import { words } from '../words'
import { dayWords } from './dates'

/** A due day: `today`, `27 Nov`, or how late it is in working days; the exact day on hover. */
const props = defineProps<{ due: string | undefined; late: number; today: string }>()
const text = computed(() =>
  props.late
    ? words.phrase.late(props.late)
    : props.due === props.today
      ? words.phrase.today
      : props.due
        ? dayWords(props.due, props.today)
        : '',
)
const exact = computed(() => (props.due ? dayWords(props.due) : undefined))
</script>

<template>
  <span v-if="due" :class="{ late: late > 0 }" :title="exact">{{ text }}</span>
</template>
