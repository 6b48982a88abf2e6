<script setup lang="ts">
import { computed, ref } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { VTextField } from 'vuetify/components/VTextField'
import { longestName } from '#core/base/text'
import { editorWords } from '../parts/words'
import { projectWords } from './project-words'
import { vTakesFocus } from '../parts/takes-focus'

/** What a project is called, and what its keys begin with. */
export interface Names {
  readonly name: string
  readonly prefix: string
}
const props = defineProps<{ title: string; names: Names; go: string; about?: string; inPlace?: boolean }>()
const emit = defineEmits<{ take: [names: Names]; leave: [] }>()
const name = ref(props.names.name)
const prefix = ref(props.names.prefix)
/** A new project's prefix follows its name until it is typed. */
const isOwnPrefix = ref(!!props.names.prefix)
function takeName(text: string): void {
  name.value = text
  if (isOwnPrefix.value) return
  const letters = text.normalize('NFD').replace(/[^a-z0-9]/gi, '')
  prefix.value = letters.slice(0, 3).toUpperCase()
}
const isWhole = computed(() => name.value.trim() && /^[A-Z][A-Z0-9]{1,7}$/.test(prefix.value))
const isChanged = computed(() => !props.inPlace || name.value.trim() !== props.names.name || prefix.value !== props.names.prefix) // prettier-ignore
const take = (): void => void (isWhole.value && emit('take', { name: name.value.trim(), prefix: prefix.value }))
</script>

<template>
  <form class="asked" @submit.prevent="take">
    <h2>{{ title }}</h2>
    <VTextField
      :model-value="name"
      :label="projectWords.name"
      :maxlength="longestName"
      v-takes-focus="!inPlace"
      required
      @update:model-value="takeName"
    />
    <VTextField
      :model-value="prefix"
      :label="projectWords.prefix"
      :hint="projectWords.prefixHint"
      persistent-hint
      maxlength="8"
      pattern="[A-Z][A-Z0-9]{1,7}"
      required
      @update:model-value="((isOwnPrefix = true), (prefix = $event.toUpperCase()))"
    />
    <slot />
    <p v-if="about" class="soft">{{ about }}</p>
    <div class="ends">
      <VBtn type="submit" variant="flat" :disabled="!isWhole || !isChanged">{{ go }}</VBtn>
      <VBtn v-if="!inPlace" variant="plain" @click="emit('leave')">{{ editorWords.cancel }}</VBtn>
    </div>
  </form>
</template>

<style scoped>
.ends {
  display: flex;
  gap: 18px;
  align-items: center;
}
</style>
