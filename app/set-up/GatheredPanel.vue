<script setup lang="ts">
import { ref } from 'vue'
import { mdiClose } from '@mdi/js'
import { VBtn } from 'vuetify/components/VBtn'
import IconButton from '../parts/IconButton.vue'
import { useSetUpChange } from './changes'
import EffectsList from './EffectsList.vue'
import { changeWords } from './words'

/** Changes of set-up that are gathered: what they would do in sum, and that they are done as one. */
const store = useSetUpChange()
const isTold = ref(false)
</script>

<template>
  <aside class="change" :aria-label="changeWords.gathered">
    <h2>{{ changeWords.gatheredTitle(store.gathered?.length ?? 0) }}</h2>
    <p v-if="!store.gathered?.length" class="soft">{{ changeWords.gatherAbout }}</p>
    <template v-else>
      <ul class="all">
        <li v-for="one in store.gathered" :key="one.name">
          <span>{{ one.name }}</span><IconButton
            :icon="mdiClose"
            :label="changeWords.dropOne(one.name)"
            @click="store.drop(one)"
          />
        </li>
      </ul>
      <h3>{{ changeWords.inSum }}</h3>
      <EffectsList :command="store.all" @told="isTold = $event" />
    </template>
    <div class="ends">
      <VBtn v-if="store.gathered?.length" variant="flat" :disabled="!isTold" @click="store.doAll()">{{
        changeWords.doAll
      }}</VBtn>
      <VBtn variant="plain" @click="store.giveUp()">{{ changeWords.giveUp }}</VBtn>
    </div>
  </aside>
</template>

<style scoped>
h3 {
  font: var(--type-section);
}
.all {
  list-style: none;
  padding: 0;
  margin: 8px 0 18px;
}
.all li {
  display: flex;
  gap: 8px;
  align-items: center;
  justify-content: space-between;
  padding: 4px 0;
  border-bottom: 1px solid var(--rule);
  overflow-wrap: anywhere;
}
.all li span::first-letter {
  text-transform: uppercase;
}
</style>
