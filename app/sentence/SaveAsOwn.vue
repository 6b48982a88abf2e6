<script setup lang="ts">
import { nextTick, onMounted, ref } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { VTextField } from 'vuetify/components/VTextField'
import { longestName } from '#core/base/text'
import PopMenu from '../parts/PopMenu.vue'
import { editorWords } from '../parts/words'
import { viewWords } from '../view-layouts/words'
import { vTakesFocus } from '../parts/takes-focus'

/** Asks for the name under which a view is saved as one's own; one is proposed, to be typed over. */
const props = defineProps<{ at: HTMLElement | undefined; proposed: string }>()
const emit = defineEmits<{ save: [name: string]; leave: [] }>()
const name = ref(props.proposed)
const input = ref<InstanceType<typeof VTextField>>()
onMounted(() => void nextTick(() => input.value?.select()))
const save = () => name.value.trim() && emit('save', name.value.trim())
</script>

<template>
  <PopMenu :at="at" @close="emit('leave')">
    <form class="own" @submit.prevent="save">
      <VTextField
        ref="input"
        v-model="name"
        :label="viewWords.nameOf"
        :hint="viewWords.nameHint"
        persistent-hint
        :maxlength="longestName"
        v-takes-focus
      />
      <div class="ends">
        <VBtn type="submit" variant="flat" :disabled="!name.trim()">{{ viewWords.save }}</VBtn>
        <VBtn variant="plain" @click="emit('leave')">{{ editorWords.cancel }}</VBtn>
      </div>
    </form>
  </PopMenu>
</template>

<style scoped>
.own {
  padding: 14px;
  display: grid;
  gap: 12px;
  width: 300px;
}
</style>
