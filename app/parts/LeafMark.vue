<script setup lang="ts">
import { useId } from 'vue'

/** Where a status stands: 0 waiting, between 0 and 1 active, 1 finished, below 0 dropped. */
defineProps<{ share: number; colour?: string | undefined; title?: string | undefined }>()
const clip = useId()
const leaf = 'M8 1.1C3.3 3.9 2.3 9 8 13.6 13.7 9 12.7 3.9 8 1.1Z'
</script>

<template>
  <svg
    class="leaf"
    :class="{ plain: share <= 0 }"
    :style="share > 0 ? { color: `var(--${colour ?? 'leaf'})` } : {}"
    viewBox="0 0 16 16"
    :role="title ? 'img' : undefined"
    :aria-label="title"
    :aria-hidden="title ? undefined : true"
  >
    <template v-if="share < 0">
      <g transform="rotate(82 8 8) translate(1.6 0) scale(.94)">
        <path :d="leaf" fill="none" stroke="currentColor" stroke-width="1.3" stroke-dasharray="2 1.4" />
      </g>
      <path d="M1 14.6h14" stroke="currentColor" stroke-width="1.2" />
    </template>
    <template v-else>
      <clipPath :id="clip"><path :d="`M0 ${13.6 - share * 12.5}h16v16H0z`" /></clipPath>
      <path v-if="share > 0" :d="leaf" fill="currentColor" :clip-path="`url(#${clip})`" />
      <path :d="`${leaf}M8 13.4V16`" fill="none" stroke="currentColor" stroke-width="1.3" />
      <path v-if="share === 1" d="M8 12.6V5.4M8 9.6 10 7.6M8 8 6.2 6.2" stroke="var(--raised)" fill="none" />
    </template>
  </svg>
</template>

<style scoped>
.leaf {
  width: 15px;
  height: 15px;
  flex: none;
}
.plain {
  color: var(--soft);
}
</style>
