<script setup lang="ts">
import { computed, ref } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { VSelect } from 'vuetify/components/VSelect'
import { isSameValue } from '#core/base/sorted-ids'
import { fieldTypes, isInItem } from '#core/fields/registry'
import { isEmptyValue } from '#core/fields/value'
import { fieldsShownBy } from '#core/model/shown-fields'
import type { Fallback, Field, FieldId, Kind } from '#core/model/records'
import PopDialog from '../parts/PopDialog.vue'
import { editorWords } from '../parts/words'
import { useDirectory } from '../data/directory'
import FallbackInput from './FallbackInput.vue'
import { fieldWords, kindWords } from './field-words'

/** What a new item of a kind has, in place of what its fields say. */
const props = defineProps<{ kind: Kind }>()
const emit = defineEmits<{ take: [defaults: Kind['defaults']]; leave: [] }>()
const directory = useDirectory()
const said = ref<Record<string, Fallback | null>>({ ...props.kind.defaults })
const fields = computed(() =>
  fieldsShownBy(directory.reader, props.kind).filter(
    (field) => isInItem(field) && !fieldTypes[field.type].isApart && !fieldTypes[field.type].isOwn,
  ),
)
const shown = computed(() => fields.value.filter(({ id }) => id in said.value))
const others = computed(() => fields.value.filter(({ id }) => !(id in said.value)))
const add = (id: FieldId) => (said.value = { ...said.value, [id]: { is: 'value', value: null } })
const set = ({ id }: Field, to: Fallback | null) => (said.value = { ...said.value, [id]: to })
function save(): void {
  // A value that nobody has said is none.
  const kept = Object.entries(said.value).filter(([, one]) => one && !(one.is === 'value' && isEmptyValue(one.value)))
  const next = kept.length ? (Object.fromEntries(kept) as NonNullable<Kind['defaults']>) : null
  if (!isSameValue(next, props.kind.defaults ?? null)) emit('take', next)
  emit('leave')
}
</script>

<template>
  <PopDialog :model-value="true" :label="kindWords.defaultsTitle(kind.name)" @update:model-value="emit('leave')">
    <form class="asked" @submit.prevent="save">
      <h2>{{ kindWords.defaultsTitle(kind.name) }}</h2>
      <p class="soft">{{ kindWords.defaultsHint }}</p>
      <div v-for="field in shown" :key="field.id" class="one">
        <FallbackInput
          :model-value="said[field.id] ?? null"
          :field="field"
          :label="field.name"
          :none="kindWords.asField"
          @update:model-value="set(field, $event)"
        />
      </div>
      <VSelect
        v-if="others.length"
        :key="shown.length"
        :model-value="null"
        :items="others.map(({ id, name }) => ({ value: id, title: name }))"
        :label="kindWords.anotherDefault"
        @update:model-value="$event && add($event)"
      />
      <div class="ends">
        <VBtn type="submit" variant="flat">{{ fieldWords.save }}</VBtn>
        <VBtn variant="plain" @click="emit('leave')">{{ editorWords.cancel }}</VBtn>
      </div>
    </form>
  </PopDialog>
</template>

<style scoped>
.one {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(180px, 1fr));
  gap: 10px 12px;
  align-items: start;
}
</style>
