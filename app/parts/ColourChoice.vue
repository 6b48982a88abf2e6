<script setup lang="ts" generic="C extends string">
/** One of some colours, chosen by what it would look like. */
defineProps<{ colours: readonly C[]; chosen: C; label: string }>()
const emit = defineEmits<{ choose: [colour: C] }>()
</script>

<template>
  <div class="colours" role="group" :aria-label="label">
    <button
      v-for="colour in colours"
      :key="colour"
      type="button"
      :aria-label="colour"
      :title="colour"
      :aria-pressed="colour === chosen"
      @click="emit('choose', colour)"
    >
      <slot :colour="colour"><i :style="{ background: `var(--${colour})` }" /></slot>
    </button>
  </div>
</template>

<style scoped>
.colours {
  display: flex;
  flex-wrap: wrap;
  gap: 2px;
}
button {
  width: max(30px, var(--target));
  height: max(30px, var(--target));
  display: grid;
  place-items: center;
  border-radius: var(--round);
}
button:hover {
  background: var(--sunk);
}
[aria-pressed='true'] {
  box-shadow: inset 0 0 0 1.5px var(--ink);
}
i {
  width: 20px;
  height: 20px;
  border-radius: var(--round);
}
</style>
