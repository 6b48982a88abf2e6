<script setup lang="ts">
import { useRoute } from 'vue-router'
import { computed, onMounted, ref, watch } from 'vue'
import { nowLive, stands } from '../data/stands'
import { words } from '../words'
import AppIndex from './AppIndex.vue'
import NoticeList from './NoticeList.vue'
import PhoneBar from './PhoneBar.vue'
import TallyBar from './TallyBar.vue'

/** What surrounds every view: index, sentence, main area, item panel, tally. */
const route = useRoute()
const isIndexOpen = ref(false)
/** Drawn on the server, it is there to be seen before it can be used; nothing is drawn anew for it. */
const frame = ref<HTMLElement>()
onMounted(() => {
  frame.value?.removeAttribute('inert')
  nowLive()
})
/** How it was left stands at the page itself before anything is painted (worker/start.ts). */
const isFolded = ref(import.meta.client && document.documentElement.dataset.index === 'folded')
const hasPanel = computed(() => typeof route.query.item === 'string')
watch(
  () => route.fullPath,
  () => (isIndexOpen.value = false),
)
watch(isFolded, (folded) => {
  document.documentElement.dataset.index = folded ? 'folded' : 'open'
  localStorage.setItem('wrenleaf-index', folded ? 'folded' : 'open')
})
</script>

<template>
  <div ref="frame" class="frame" inert :class="{ 'index-open': isIndexOpen, 'with-panel': hasPanel }">
    <a class="skip" href="#main">{{ words.frame.skip }}</a>
    <AppIndex
      v-if="stands"
      class="index"
      :folded="isFolded"
      @fold="isFolded = !isFolded"
      @close="isIndexOpen = false"
    />
    <div v-else class="index still" />
    <header class="sentence"><slot name="sentence" /></header>
    <main id="main" class="main" tabindex="-1"><slot /></main>
    <slot name="panel" />
    <TallyBar class="tally"><slot name="tally" /></TallyBar>
    <PhoneBar class="phone" @views="isIndexOpen = true" />
    <NoticeList v-if="stands" />
  </div>
</template>

<style scoped>
.frame {
  height: 100dvh;
  display: grid;
  grid-template: auto minmax(0, 1fr) var(--tally) / var(--index) minmax(0, 1fr) auto;
  background: var(--paper);
}
:root[data-index='folded'] .frame {
  grid-template-columns: 44px minmax(0, 1fr) auto;
}
.index {
  grid-row: 1 / 4;
}
.still {
  background: var(--sunk);
  border-right: 1px solid var(--rule);
}
.sentence {
  grid-column: 2 / 4;
  padding: 13px 24px 11px;
  border-bottom: 1px solid var(--rule);
  min-height: 50px;
}
.main {
  grid-column: 2;
  position: relative;
  min-width: 0;
  min-height: 0;
  overflow: hidden;
  outline: none;
}
.tally {
  grid-column: 2 / 4;
}
.phone {
  display: none;
}
.skip {
  position: absolute;
  left: -999px;
}
.skip:focus {
  left: 8px;
  top: 8px;
  z-index: 20;
  background: var(--raised);
  padding: 8px 12px;
}
@media (max-width: 700px) {
  .frame,
  :root[data-index='folded'] .frame {
    grid-template: auto minmax(0, 1fr) auto auto / minmax(0, 1fr);
  }
  .index {
    display: none;
  }
  .index-open .index {
    display: flex;
    position: fixed;
    inset: 0;
    z-index: 10;
  }
  .sentence,
  .main,
  .tally,
  .phone {
    grid-column: 1;
  }
  .sentence {
    padding: 10px 16px;
  }
  .phone {
    display: grid;
  }
  .with-panel .main,
  .with-panel .sentence {
    display: none;
  }
}
</style>
