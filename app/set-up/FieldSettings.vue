<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { VAutocomplete } from 'vuetify/components/VAutocomplete'
import { VCheckbox } from 'vuetify/components/VCheckbox'
import { VNumberInput } from 'vuetify/components/VNumberInput'
import { VSelect } from 'vuetify/components/VSelect'
import { VTextField } from 'vuetify/components/VTextField'
import { compareText } from '#core/base/collation'
import { isSameValue } from '#core/base/sorted-ids'
import { currencies, currencyOf } from '#core/fields/currencies'
import { usualDay } from '#core/fields/duration'
import { ratingSigns, type FieldTypeName } from '#core/fields/names'
import { usualMost } from '#core/fields/rating'
import { figuresOf } from '#core/fields/registry'
import type { FieldSettings } from '#core/fields/settings'
import type { PersonId } from '#core/model/records'
import { peopleChoices } from '../parts/choices'
import { useDirectory } from '../data/directory'
import { speechOf } from '../data/speech'
import { fieldWords } from './field-words'

/** How a field works, as far as its type lets one say. `isNew`: also what values would depend on. */
const props = defineProps<{ type: FieldTypeName; isNew: boolean }>()
const settings = defineModel<FieldSettings>({ required: true })
const isFit = defineModel<boolean>('fit', { required: true })
const directory = useDirectory()
/** Sets one; what is not said is left out. */
function set(part: FieldSettings): void {
  const said = Object.entries({ ...settings.value, ...part })
  const next = Object.fromEntries(said.filter(([, value]) => value !== undefined && value !== false && value !== ''))
  if (!isSameValue(next, settings.value)) settings.value = next
}
const figures = computed(() => figuresOf({ type: props.type, settings: settings.value }, speechOf(directory).decimal))
const bounds = ref({ least: '', most: '' })
watch(
  () => props.type,
  () => {
    const say = (x: number | undefined) => (x === undefined ? '' : figures.value.bare(x))
    bounds.value = { least: say(settings.value.least), most: say(settings.value.most) }
  },
  { immediate: true },
)
const read = (text: string): number | undefined => (text.trim() ? figures.value.read(text) : undefined)
const isRead = (text: string): boolean => !text.trim() || read(text) !== undefined
const isOrdered = computed(() => {
  const [least, most] = [read(bounds.value.least), read(bounds.value.most)]
  return least === undefined || most === undefined || least <= most
})
watch(
  [bounds, figures],
  () => {
    if (!hasBounds.value) return
    isFit.value = isOrdered.value && isRead(bounds.value.least) && isRead(bounds.value.most)
    if (isFit.value) set({ least: read(bounds.value.least), most: read(bounds.value.most) })
  },
  { deep: true },
)
const hasBounds = computed(() => props.type === 'number' || props.type === 'money')
const isText = computed(() => ['shortText', 'webLink', 'email', 'phone'].includes(props.type))
const crafts = computed(() => {
  const all = [...directory.reader.all('person')].flatMap(({ active, craft }) => (active && craft ? [craft] : []))
  const named = [...new Set(all)].sort(compareText).map((craft) => ({ value: craft, title: craft }))
  return [{ value: '', title: fieldWords.anyCraft }, ...named]
})
</script>

<template>
  <div class="settings">
    <template v-if="type === 'number'">
      <VTextField
        :model-value="settings.unit ?? ''"
        :label="fieldWords.unit"
        maxlength="12"
        placeholder="h, m², kg …"
        @update:model-value="set({ unit: $event.trim() })"
      />
      <VNumberInput
        v-if="isNew"
        :model-value="settings.decimals ?? 0"
        :label="fieldWords.decimals"
        :min="0"
        :max="6"
        @update:model-value="set({ decimals: $event || undefined })"
      />
    </template>
    <VSelect
      v-else-if="type === 'money' && isNew"
      :model-value="settings.currency ?? currencies[0]"
      :items="
        currencies.map((code) => ({
          value: code,
          title: currencyOf(code).sign === code ? code : `${code} ${currencyOf(code).sign}`,
        }))
      "
      :label="fieldWords.currency"
      @update:model-value="set({ currency: $event })"
    />
    <VNumberInput
      v-else-if="type === 'duration'"
      :model-value="(settings.dayMinutes ?? usualDay) / 60"
      :label="fieldWords.dayHours"
      :min="0.25"
      :max="24"
      :step="0.5"
      :precision="null"
      @update:model-value="set({ dayMinutes: $event ? Math.round($event * 60) : undefined })"
    />
    <template v-else-if="type === 'rating'">
      <VNumberInput
        :model-value="settings.scale ?? usualMost"
        :label="fieldWords.scale"
        :min="2"
        :max="10"
        @update:model-value="set({ scale: $event ?? undefined })"
      />
      <VSelect
        :model-value="settings.sign ?? 'leaf'"
        :items="ratingSigns.map((sign) => ({ value: sign, title: fieldWords.signs[sign] }))"
        :label="fieldWords.sign"
        @update:model-value="set({ sign: $event })"
      />
    </template>
    <VCheckbox
      v-else-if="type === 'relation'"
      :model-value="!!settings.single"
      :label="fieldWords.singleItem"
      @update:model-value="set({ single: !!$event })"
    />
    <template v-else-if="type === 'people'">
      <VSelect
        v-if="crafts.length > 1"
        :model-value="settings.craft ?? ''"
        :items="crafts"
        :label="fieldWords.craft"
        @update:model-value="set({ craft: $event })"
      />
      <VAutocomplete
        class="wide"
        :model-value="[...(settings.among ?? [])]"
        :items="peopleChoices(directory).map(({ id, label }) => ({ value: id, title: label }))"
        :label="fieldWords.among"
        :placeholder="fieldWords.anyCraft"
        multiple
        chips
        closable-chips
        auto-select-first
        @update:model-value="set({ among: $event.length ? ($event as PersonId[]) : undefined })"
      />
      <VCheckbox
        :model-value="!!settings.single"
        :label="fieldWords.single"
        @update:model-value="set({ single: !!$event })"
      />
    </template>
    <template v-if="hasBounds">
      <VTextField
        v-model="bounds.least"
        :label="fieldWords.least"
        inputmode="decimal"
        :suffix="figures.unit"
        :error="!isRead(bounds.least)"
      />
      <VTextField
        v-model="bounds.most"
        :label="fieldWords.most"
        inputmode="decimal"
        :suffix="figures.unit"
        :error-messages="isOrdered ? '' : fieldWords.notOrdered"
        :error="!isRead(bounds.most)"
      />
    </template>
    <VCheckbox
      v-if="isText || type === 'number'"
      :model-value="!!settings.unique"
      :label="fieldWords.unique"
      @update:model-value="set({ unique: !!$event })"
    />
  </div>
</template>

<style scoped>
.settings {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(140px, 1fr));
  gap: 10px 12px;
}
.settings > .wide,
.settings > .v-checkbox {
  grid-column: 1 / -1;
}
</style>
