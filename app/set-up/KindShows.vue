<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import { mdiArrowDown, mdiArrowUp, mdiFormatListGroup } from '@mdi/js'
import { VBtn } from 'vuetify/components/VBtn'
import { VCheckbox } from 'vuetify/components/VCheckbox'
import { VTextField } from 'vuetify/components/VTextField'
import { isSameValue } from '#core/base/sorted-ids'
import { longestName } from '#core/base/text'
import { fieldsShownBy } from '#core/model/shown-fields'
import type { FieldId, Kind } from '#core/model/records'
import IconButton from '../parts/IconButton.vue'
import PopDialog from '../parts/PopDialog.vue'
import { editorWords } from '../parts/words'
import { useDirectory } from '../data/directory'
import { fieldWords, kindWords } from './field-words'

/** Which fields items of a kind show, in which order and under which heads. */
const props = defineProps<{ kind: Kind }>()
const emit = defineEmits<{ take: [shown: Pick<Kind, 'shows' | 'groups'>]; leave: [] }>()
const directory = useDirectory()
const all = computed(() => directory.fields(props.kind.project))
const begun = fieldsShownBy(directory.reader, props.kind).map(({ id }) => id)
const order = ref<FieldId[]>([...begun, ...all.value.flatMap(({ id }) => (begun.includes(id) ? [] : id))])
const ticked = ref<readonly FieldId[]>(begun)
const heads = ref<Record<string, string>>(Object.fromEntries((props.kind.groups ?? []).map(({ name, from }) => [from, name]))) // prettier-ignore
const list = ref<HTMLElement>()
const fields = computed(() => order.value.flatMap((id) => all.value.find((field) => field.id === id) ?? []))
const isAll = computed(() => ticked.value.length === all.value.length)
const tick = (id: FieldId, is: boolean) =>
  (ticked.value = is ? [...ticked.value, id] : ticked.value.filter((one) => one !== id))
/** The one that is moved keeps the keyboard. */
function move(at: number, by: -1 | 1): void {
  const [moved] = order.value.splice(at, 1)
  if (!moved) return
  order.value.splice(at + by, 0, moved)
  void nextTick(() => list.value?.querySelectorAll<HTMLElement>('li input[type=checkbox]')[at + by]?.focus())
}
function onKey(event: KeyboardEvent, at: number): void {
  const by = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 1 : 0
  if (!event.altKey || !by) return
  event.preventDefault()
  if (at + by >= 0 && at + by < order.value.length) move(at, by)
}
function head(id: FieldId): void {
  const { [id]: held, ...others } = heads.value
  heads.value = held === undefined ? { ...others, [id]: '' } : others
  if (held === undefined) void nextTick(() => document.getElementById(`head-${id}`)?.focus())
}
function save(): void {
  const shown = order.value.filter((id) => ticked.value.includes(id))
  const isUsual = isSameValue(shown, all.value.map(({ id }) => id)) // prettier-ignore
  const groups = shown.flatMap((from) => {
    const name = heads.value[from]?.trim()
    return name ? [{ name, from }] : []
  })
  emit('take', { shows: isUsual ? null : shown, groups: groups.length ? groups : null })
  emit('leave')
}
</script>

<template>
  <PopDialog :model-value="true" :label="kindWords.showsTitle(kind.name)" @update:model-value="emit('leave')">
    <form class="asked" @submit.prevent="save">
      <h2>{{ kindWords.showsTitle(kind.name) }}</h2>
      <p class="soft">{{ kindWords.showsHint }}</p>
      <ol ref="list">
        <li v-for="(field, i) in fields" :key="field.id" @keydown="onKey($event, i)">
          <VTextField
            v-if="heads[field.id] !== undefined"
            :id="`head-${field.id}`"
            v-model="heads[field.id]"
            class="head"
            :maxlength="longestName"
            :aria-label="kindWords.headOf(field.name)"
            :placeholder="kindWords.head"
          />
          <div class="line">
            <VCheckbox
              :model-value="ticked.includes(field.id)"
              :label="field.name"
              @update:model-value="tick(field.id, !!$event)"
            />
            <IconButton
              :icon="mdiFormatListGroup"
              :label="kindWords.beginGroup(field.name)"
              :aria-pressed="heads[field.id] !== undefined"
              @click="head(field.id)"
            />
            <IconButton :icon="mdiArrowUp" :label="kindWords.upOf(field.name)" :disabled="!i" @click="move(i, -1)" />
            <IconButton
              :icon="mdiArrowDown"
              :label="kindWords.downOf(field.name)"
              :disabled="i === fields.length - 1"
              @click="move(i, 1)"
            />
          </div>
        </li>
      </ol>
      <div class="ends">
        <VBtn type="submit" variant="flat">{{ fieldWords.save }}</VBtn>
        <VBtn v-if="!isAll" variant="plain" @click="ticked = all.map(({ id }) => id)">{{ kindWords.allFields }}</VBtn>
        <VBtn variant="plain" @click="emit('leave')">{{ editorWords.cancel }}</VBtn>
      </div>
    </form>
  </PopDialog>
</template>

<style scoped>
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  max-height: 50vh;
  overflow: auto;
}
.line {
  display: flex;
  gap: 4px;
  align-items: center;
  border-bottom: 1px solid var(--rule);
}
.line .v-checkbox {
  flex: 1;
  min-width: 0;
}
.head {
  margin-top: 10px;
}
</style>
