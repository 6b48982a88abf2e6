<script setup lang="ts">
import { VApp } from 'vuetify/components/VApp'
import WrenMark from '../parts/WrenMark.vue'
import { frameWords } from './words'

/** A page outside the workspace: what it asks for, and beside it what else there is. */
defineProps<{ title: string }>()
</script>

<template>
  <VApp
    ><main class="page" :class="{ two: $slots.beside }">
      <section class="left">
        <div class="mark"><WrenMark large />{{ frameWords.app }}</div>
        <h1>{{ title }}</h1>
        <slot />
      </section>
      <section v-if="$slots.beside" class="beside"><slot name="beside" /></section></main
  ></VApp>
</template>

<style scoped>
.page {
  min-height: 100dvh;
  display: grid;
  grid-template: 1fr / minmax(0, 1fr);
  justify-items: center;
}
.two {
  grid-template-columns: 470px minmax(0, 1fr);
}
.left {
  padding: 32px 56px;
  display: flex;
  flex-direction: column;
  justify-content: center;
  gap: 16px;
  width: 100%;
  max-width: 470px;
}
.left :deep(form) {
  display: grid;
  gap: 16px;
}
.left :deep(form .v-btn) {
  justify-self: start;
}
.mark {
  display: flex;
  align-items: center;
  gap: 8px;
  font: var(--type-figure);
  letter-spacing: -0.01em;
}
h1 {
  font: var(--type-large);
  letter-spacing: -0.01em;
  text-wrap: balance;
  overflow-wrap: anywhere;
}
.beside {
  background: var(--sunk);
  border-left: 1px solid var(--rule);
  padding: 48px 64px;
  display: flex;
  flex-direction: column;
  gap: 14px;
  justify-content: center;
  width: 100%;
}
@media (max-width: 900px) {
  .two {
    grid-template: auto auto / minmax(0, 1fr);
  }
  .left {
    padding: 32px 24px;
  }
  .beside {
    border-left: 0;
    border-top: 1px solid var(--rule);
    padding: 24px;
  }
  .page {
    height: 100dvh;
    overflow: auto;
  }
}
</style>
