<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { foldText } from '#core/base/collation'
import type { Person, Project, View } from '#core/model/records'
import { colleaguesOf } from '../data/colleagues'
import { useDirectory } from '../data/directory'
import { useThrough } from '../data/through'
import FindList from '../parts/FindList.vue'
import PopDialog from '../parts/PopDialog.vue'
import { PersonPebbles } from '../parts/marks'
import { heldWords } from './view-words'

/** As whom one looks at a view: those with an account, found by name. */
const props = defineProps<{ project: Project; view: View }>()
const emit = defineEmits<{ leave: [] }>()
const directory = useDirectory()
const through = useThrough()
const router = useRouter()
const typed = ref('')
const people = computed(() => {
  const words = foldText(typed.value.trim())
  return colleaguesOf(directory.reader, directory.me).filter(({ name }) => foldText(name).includes(words))
})
async function take(person: Person): Promise<void> {
  emit('leave')
  await router.push(`/app/${props.project.prefix}/${props.view.id}`)
  through.as = person.id
}
</script>

<template>
  <PopDialog :model-value="true" :label="heldWords.tryTitle" @update:model-value="emit('leave')">
    <div class="asked">
      <h2>{{ heldWords.tryTitle }}</h2>
      <FindList
        v-model="typed"
        :lines="people"
        :key-of="(person: Person) => person.id"
        :label="heldWords.tryTitle"
        :placeholder="heldWords.tryTitle"
        @take="take"
        @leave="emit('leave')"
      >
        <template #default="{ line }"><PersonPebbles :people="[line.id]" /> {{ line.name }}</template>
      </FindList>
    </div>
  </PopDialog>
</template>
