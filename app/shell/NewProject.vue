<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { v7 } from 'uuid'
import { navigateTo } from 'nuxt/app'
import { VBtn } from 'vuetify/components/VBtn'
import { VTextField } from 'vuetify/components/VTextField'
import { rankAfter } from '#core/base/ranks'
import { starterPattern } from '#core/projects/starter-pattern'
import { paletteColours } from '#core/model/records'
import PopDialog from '../parts/PopDialog.vue'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { words } from '../words'

const isOpen = defineModel<boolean>({ required: true })
const changes = useChanges()
const directory = useDirectory()
const name = ref('')
const prefix = ref('')
const isOwnPrefix = ref(false)
watch(name, (text) => {
  if (!isOwnPrefix.value)
    prefix.value = text
      .normalize('NFD')
      .replace(/[^a-z0-9]/gi, '')
      .slice(0, 3)
      .toUpperCase()
})
const isWhole = computed(() => name.value.trim() && /^[A-Z][A-Z0-9]{1,7}$/.test(prefix.value))

async function start(): Promise<void> {
  const maker = directory.me?.id
  if (!isWhole.value || !maker) return
  const rank = rankAfter(directory.projects)
  const colour = paletteColours[(directory.projects.length + 1) % paletteColours.length] ?? 'leaf'
  const body = starterPattern({ name: name.value.trim(), prefix: prefix.value, colour, rank, maker }, v7)
  if (!(await changes.send({ type: 'projects.create', ...body }))) return
  isOpen.value = false
  name.value = prefix.value = ''
  const first = body.views[1]
  if (first) await navigateTo(`/app/${body.project.prefix}/${first.id}`)
}
</script>

<template>
  <PopDialog v-model="isOpen" :label="words.project.title">
    <form @submit.prevent="start">
      <h2>{{ words.project.title }}</h2>
      <VTextField v-model="name" :label="words.project.name" maxlength="120" autofocus required />
      <VTextField
        :model-value="prefix"
        :label="words.project.prefix"
        :hint="words.project.prefixHint"
        persistent-hint
        maxlength="8"
        pattern="[A-Z][A-Z0-9]{1,7}"
        required
        @update:model-value="((isOwnPrefix = true), (prefix = $event.toUpperCase()))"
      />
      <p class="soft">{{ words.project.about }}</p>
      <div class="ends">
        <VBtn type="submit" variant="flat" :disabled="!isWhole">{{ words.project.start }}</VBtn>
        <VBtn variant="plain" @click="isOpen = false">{{ words.project.cancel }}</VBtn>
      </div>
    </form>
  </PopDialog>
</template>

<style scoped>
form {
  padding: 20px 24px;
  display: grid;
  gap: 14px;
}
h2 {
  font: var(--type-title);
}
.ends {
  display: flex;
  gap: 18px;
  align-items: center;
}
</style>
