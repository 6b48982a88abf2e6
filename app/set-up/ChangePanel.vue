<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import SelectOne from '../parts/SelectOne.vue'
import { useSetUpChange, type PendingChange } from './changes'
import EffectsList from './EffectsList.vue'
import { changeWords } from './words'

/** What a change of set-up would touch, said before it is done; where things go is chosen here. */
const props = defineProps<{ change: PendingChange }>()
const store = useSetUpChange()
const to = ref(props.change.to?.choices[0]?.value ?? '')
const isPossible = computed(() => !props.change.to || props.change.to.choices.length > 0)
const command = computed(() => props.change.command(to.value))
const isTold = ref(false)
const box = ref<HTMLElement>()
onMounted(() => box.value?.focus())
</script>

<template>
  <aside
    ref="box"
    class="change"
    tabindex="-1"
    :aria-label="changeWords.label"
    @keydown.esc.prevent.stop="store.leave()"
  >
    <h2>{{ change.title }}</h2>
    <p v-if="!isPossible">{{ changeWords.nowhere }}</p>
    <EffectsList
      v-else
      :command="command"
      :about="change.about"
      :standing="change.standing"
      :is-counted="!!change.to"
      @told="isTold = $event"
    >
      <li v-if="change.to">
        <b v-if="change.standing">{{ changeWords.stand(change.standing) }}</b>
        {{ change.to.words }}
        <SelectOne :choices="change.to.choices" :chosen="to" :label="change.to.words" @choose="to = $event" />
      </li>
      <li v-if="change.note">{{ change.note }}</li>
    </EffectsList>
    <div class="ends">
      <VBtn v-if="isPossible" variant="flat" :disabled="!isTold" @click="store.take(command)">{{
        store.gathered ? changeWords.gatherIt : change.go
      }}</VBtn>
      <VBtn variant="plain" @click="store.leave()">{{ changeWords.keep }}</VBtn>
    </div>
    <p v-if="isPossible" class="soft">{{ store.gathered ? changeWords.withOthers : changeWords.undo }}</p>
  </aside>
</template>

<style scoped>
.ends + p {
  margin-top: 10px;
}
</style>
