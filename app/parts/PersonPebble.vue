<script setup lang="ts">
import { computed } from 'vue'

/** A person: initials in a soft, irregular pebble of the person's colour. */
const props = defineProps<{
  person: { readonly id: string; readonly name: string; readonly colour: string }
  large?: boolean
}>()
const initials = computed(() => {
  const parts = props.person.name.split(/\s+/).filter(Boolean)
  return [parts[0], parts.length > 1 ? parts.at(-1) : undefined]
    .map((one) => [...(one ?? '')][0] ?? '')
    .join('')
    .toUpperCase()
})
const variant = computed(
  () => ['a', 'b', 'c'][[...props.person.id].reduce((sum, one) => sum + one.charCodeAt(0), 0) % 3],
)
</script>

<template>
  <span
    class="pebble"
    :class="[variant, { large }]"
    :style="{ '--c': `var(--${person.colour})`, '--on': `var(--on-${person.colour}, var(--on-colour))` }"
    role="img"
    :aria-label="person.name"
    :title="person.name"
    >{{ initials }}</span
  >
</template>

<style scoped>
.pebble {
  display: inline-grid;
  place-items: center;
  width: 22px;
  height: 20px;
  font-size: 10px;
  font-weight: 600;
  letter-spacing: 0.01em;
  line-height: 1;
  color: var(--on);
  background: var(--c);
  flex: none;
}
.large {
  width: 34px;
  height: 31px;
  font-size: 13px;
}
.a {
  border-radius: 58% 42% 52% 48% / 56% 50% 50% 44%;
}
.b {
  border-radius: 45% 55% 42% 58% / 50% 58% 42% 50%;
}
.c {
  border-radius: 52% 48% 60% 40% / 44% 52% 48% 56%;
}
</style>
