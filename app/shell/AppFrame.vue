<script setup lang="ts">
import { useRoute } from 'vue-router'
import { computed, onMounted, ref, watch } from 'vue'
import { useDisplay } from 'vuetify'
import { VApp } from 'vuetify/components/VApp'
import { VFooter } from 'vuetify/components/VFooter'
import { VLayout } from 'vuetify/components/VLayout'
import { VMain } from 'vuetify/components/VMain'
import { VNavigationDrawer } from 'vuetify/components/VNavigationDrawer'
import { nowLive, stands } from '../data/stands'
import { keepFolded, keptFolded } from '../data/kept-index'
import { AppIndex, NoticeList } from './around'
import { frameWords } from './words'
import PhoneBar from './PhoneBar.vue'
import TallyBar from './TallyBar.vue'

/** What surrounds every view: index, sentence, main area, item panel, tally. */
const route = useRoute()
const { mobile, width } = useDisplay()
/** On a phone the index is a screen of its own. */
const isIndexOpen = ref(false)
/** Drawn on the server, it is there to be seen before it can be used; nothing is redrawn for it. */
const frame = ref<InstanceType<typeof VApp>>()
onMounted(() => {
  ;(frame.value?.$el as HTMLElement).removeAttribute('inert')
  nowLive()
})
const isFolded = ref(keptFolded())
watch(isFolded, keepFolded)
const hasPanel = computed(() => typeof (route.query.item ?? route.query.person) === 'string')
watch(
  () => route.fullPath,
  () => (isIndexOpen.value = false),
)
</script>

<template>
  <VApp ref="frame" class="frame" inert>
    <a class="skip" href="#main">{{ frameWords.skip }}</a>
    <VNavigationDrawer
      class="at-left"
      tag="nav"
      :aria-label="frameWords.index"
      :model-value="!mobile || isIndexOpen"
      :permanent="!mobile"
      :temporary="mobile"
      :width="mobile ? width : 208"
      :rail="isFolded && !mobile"
      rail-width="44"
      :scrim="false"
      disable-resize-watcher
      @update:model-value="isIndexOpen = $event"
    >
      <AppIndex v-if="stands" :folded="isFolded && !mobile" @fold="isFolded = !isFolded" @close="isIndexOpen = false" />
    </VNavigationDrawer>
    <PhoneBar v-if="mobile" @views="isIndexOpen = true" />
    <VFooter app :height="mobile ? 44 : 34" class="tally" tag="footer">
      <TallyBar><slot name="tally" /></TallyBar>
    </VFooter>
    <VMain tag="div" class="middle">
      <header v-show="!(mobile && hasPanel)" class="sentence"><slot name="sentence" /></header>
      <VLayout class="beside">
        <VNavigationDrawer
          v-if="$slots.panel"
          class="at-right"
          tag="div"
          location="end"
          permanent
          :width="mobile ? width : 392"
        >
          <slot name="panel" />
        </VNavigationDrawer>
        <VMain id="main" class="main" tabindex="-1"><slot /></VMain>
      </VLayout>
    </VMain>
    <NoticeList v-if="stands" />
  </VApp>
</template>

<style scoped>
.frame {
  height: 100dvh;
}
.frame > :deep(.v-application__wrap) {
  height: 100dvh;
  min-height: 0;
}
.middle {
  display: flex;
  flex-direction: column;
  min-height: 0;
  height: 100%;
}
.at-left {
  background: var(--sunk);
  border-right: 1px solid var(--rule);
}
.tally {
  background: var(--sunk);
  border-top: 1px solid var(--rule);
  padding: 0;
}
.sentence {
  flex: none;
  padding: 13px 24px 11px;
  border-bottom: 1px solid var(--rule);
  min-height: 50px;
}
.beside {
  flex: 1 1 0;
  min-height: 0;
}
.at-right {
  background: var(--raised);
  border-left: 1px solid var(--rule-strong);
}
.main {
  position: relative;
  min-width: 0;
  overflow: hidden;
  outline: none;
}
.skip {
  position: absolute;
  left: -999px;
}
.skip:focus {
  left: 8px;
  top: 8px;
  z-index: 2000;
  background: var(--raised);
  padding: 8px 12px;
}
@media (max-width: 700px) {
  .sentence {
    padding: 10px 16px;
  }
  /* Until it is known that the screen is a phone's. */
  .at-left:not(.v-navigation-drawer--temporary) {
    display: none;
  }
}
</style>
