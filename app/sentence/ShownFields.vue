<script setup lang="ts">
import { computed, nextTick, ref, shallowRef } from 'vue'
import { mdiDragVertical } from '@mdi/js'
import { VCheckboxBtn } from 'vuetify/components/VCheckbox'
import { VIcon } from 'vuetify/components/VIcon'
import { VTextField } from 'vuetify/components/VTextField'
import { foldText } from '#core/base/collation'
import { madeAt } from '#core/base/made-at'
import type { Field, FieldId, View } from '#core/model/records'
import { useDirectory } from '../data/directory'
import { followRowDrag, type RowDrag } from '../parts/row-drag'
import { vTakesFocus } from '../parts/takes-focus'
import { toggled } from '../parts/toggled'
import { phraseWords } from './phrase-words'

/** What a view shows and what it leaves out, in one list: the shown fields in their order, then the hidden ones. */
const props = defineProps<{ view: View; shown: readonly FieldId[] }>()
const emit = defineEmits<{ change: [shown: FieldId[]] }>()
const directory = useDirectory()
const typed = ref('')
const fields = computed(() => directory.fields(props.view.project))
const fits = ({ name }: Field) => foldText(name).includes(foldText(typed.value.trim()))
const shownFields = computed(() => props.shown.flatMap((id) => fields.value.find((field) => field.id === id) ?? []))
const hiddenFields = computed(() => fields.value.filter(({ id }) => !props.shown.includes(id)))
const lines = computed(() => [...shownFields.value, ...hiddenFields.value].filter(fits))
/** Made after the view was, some weeks ago at most. */
const weeks = 4 * 7 * 86_400_000
const isNew = ({ id }: Field) => madeAt(id) > Math.max(madeAt(props.view.id), Date.now() - weeks)
const isShown = ({ id }: Field) => props.shown.includes(id)
const toggle = ({ id }: Field) => emit('change', toggled(props.shown, id))

function put(field: Field, before: Field | null): void {
  const others = props.shown.filter((id) => id !== field.id)
  const at = before && isShown(before) ? others.indexOf(before.id) : others.length
  emit('change', [...others.slice(0, at), field.id, ...others.slice(at)])
}
const drag = shallowRef<RowDrag>()
const list = ref<HTMLElement>()
function startDrag(event: PointerEvent, field: Field): void {
  followRowDrag(event, {
    rows: shownFields.value,
    row: field,
    lines: () => [...(list.value?.querySelectorAll<HTMLElement>('[data-shown]') ?? [])],
    show: (now) => (drag.value = now),
    order: put,
  })
}
/** Arrows walk the list; with Alt they move a shown field. */
function onKey(event: KeyboardEvent): void {
  const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0
  if (!by) return
  event.preventDefault()
  const ticks = [...(list.value?.querySelectorAll<HTMLInputElement>('input[type=checkbox]') ?? [])]
  const at = ticks.indexOf(event.target as HTMLInputElement)
  const field = lines.value[at]
  if (!event.altKey || !field) return ticks[Math.max(0, Math.min(ticks.length - 1, at + by))]?.focus()
  const all = shownFields.value
  const place = all.indexOf(field)
  if (place < 0 || place + by < 0 || place + by >= all.length) return
  put(field, all[place + (by < 0 ? -1 : 2)] ?? null)
  void nextTick(() => list.value?.querySelector<HTMLElement>(`[data-field="${field.id}"] input`)?.focus())
}
</script>

<template>
  <div class="fields" @keydown="onKey">
    <VTextField
      v-model="typed"
      :placeholder="phraseWords.findField"
      :aria-label="phraseWords.findField"
      v-takes-focus
    />
    <ul ref="list" :aria-label="phraseWords.show">
      <template v-for="(field, i) in lines" :key="field.id">
        <li v-if="!isShown(field) && (!i || isShown(lines[i - 1]!))" class="soft head">
          {{ phraseWords.hidden(hiddenFields.length) }}
        </li>
        <li
          :data-field="field.id"
          :data-shown="isShown(field) || undefined"
          :class="{
            dragged: drag?.id === field.id,
            before: !!drag && shownFields[drag.to]?.id === field.id,
            end: drag?.to === shownFields.length && shownFields.at(-1)?.id === field.id,
          }"
        >
          <VCheckboxBtn
            class="tick-line"
            :model-value="isShown(field)"
            :label="field.name"
            @update:model-value="toggle(field)"
          />
          <b v-if="!isShown(field) && isNew(field)" class="new">{{ phraseWords.isNew }}</b>
          <span
            v-if="isShown(field) && !typed"
            class="grip"
            :title="phraseWords.moveField"
            @pointerdown="startDrag($event, field)"
            ><VIcon size="18" :icon="mdiDragVertical"
          /></span>
        </li>
      </template>
    </ul>
    <p v-if="!lines.length" class="soft">{{ phraseWords.noField }}</p>
    <slot />
  </div>
</template>

<style scoped>
.fields {
  padding: 8px;
  width: min(320px, 88vw);
}
ul {
  list-style: none;
  margin: 8px 0;
  padding: 0;
  max-height: min(360px, 50vh);
  overflow: auto;
}
li {
  display: flex;
  align-items: center;
  min-height: max(30px, var(--target));
}
li:hover {
  background: var(--sunk);
}
.head {
  font: var(--type-aside);
  border-top: 1px solid var(--rule);
  padding: 6px 6px 0;
}
.tick-line {
  flex: 1;
  min-width: 0;
}
.new {
  margin-left: auto;
  font: var(--type-aside);
  color: var(--leaf);
}
.grip {
  cursor: grab;
  color: var(--soft);
  touch-action: none;
}
.dragged {
  opacity: 0.5;
}
.before {
  box-shadow: inset 0 2px 0 var(--leaf);
}
.end {
  box-shadow: inset 0 -2px 0 var(--leaf);
}
</style>
