<script setup lang="ts">
import { ref } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { isSameValue } from '#core/base/sorted-ids'
import ChoiceList, { type Choice } from '../parts/ChoiceList.vue'
import PopMenu from '../parts/PopMenu.vue'
import { toggled } from '../parts/toggled'

/** Some of a list, ticked beside an element and kept together when it is left; all of them can be said by a press. */
const props = defineProps<{
  choices: readonly Choice[]
  chosen: readonly string[]
  label: string
  /** What all of them are called. */
  all: string
  at: HTMLElement
}>()
const emit = defineEmits<{ take: [ids: readonly string[]]; leave: [] }>()
const ticked = ref<readonly string[]>(props.chosen)
let isLeft = false
function leave(): void {
  if (isLeft) return
  isLeft = true
  if (!isSameValue([...ticked.value].sort(), [...props.chosen].sort())) emit('take', ticked.value)
  emit('leave')
}
</script>

<template>
  <PopMenu :at="at" @close="leave">
    <ChoiceList
      several
      :choices="choices"
      :chosen="ticked"
      :label="label"
      @choose="ticked = toggled(ticked, $event)"
      @leave="leave"
    >
      <VBtn v-if="ticked.length < choices.length" variant="plain" @click="ticked = choices.map(({ id }) => id)">{{
        all
      }}</VBtn>
    </ChoiceList>
  </PopMenu>
</template>
