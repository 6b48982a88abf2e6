<script setup lang="ts">
import { computed, ref } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { isSameValue } from '#core/base/sorted-ids'
import { fieldsShownBy } from '#core/model/shown-fields'
import type { Fallback, Kind } from '#core/model/records'
import PopDialog from '../parts/PopDialog.vue'
import { editorWords } from '../parts/words'
import { useDirectory } from '../data/directory'
import DefaultsList from './DefaultsList.vue'
import { fieldWords, kindWords } from './field-words'

/** What a new item of a kind has, in place of what its fields say. */
const props = defineProps<{ kind: Kind }>()
const emit = defineEmits<{ take: [defaults: Kind['defaults']]; leave: [] }>()
const directory = useDirectory()
const said = ref<Record<string, Fallback | null>>({ ...props.kind.defaults })
const fields = computed(() => fieldsShownBy(directory.reader, props.kind))
const list = ref<InstanceType<typeof DefaultsList>>()
function save(): void {
  const next = list.value?.kept() ?? null
  if (!isSameValue(next, props.kind.defaults ?? null)) emit('take', next)
  emit('leave')
}
</script>

<template>
  <PopDialog :model-value="true" :label="kindWords.defaultsTitle(kind.name)" @update:model-value="emit('leave')">
    <form class="asked" @submit.prevent="save">
      <h2>{{ kindWords.defaultsTitle(kind.name) }}</h2>
      <p class="soft">{{ kindWords.defaultsHint }}</p>
      <DefaultsList
        ref="list"
        v-model="said"
        :fields="fields"
        :none="kindWords.asField"
        :another="kindWords.anotherDefault"
      />
      <div class="ends">
        <VBtn type="submit" variant="flat">{{ fieldWords.save }}</VBtn>
        <VBtn variant="plain" @click="emit('leave')">{{ editorWords.cancel }}</VBtn>
      </div>
    </form>
  </PopDialog>
</template>
