<script setup lang="ts">
import { computed, ref } from 'vue'
import { mdiArrowDown, mdiArrowUp, mdiClose } from '@mdi/js'
import { VBtn } from 'vuetify/components/VBtn'
import { VCheckboxBtn } from 'vuetify/components/VCheckbox'
import { VSelect } from 'vuetify/components/VSelect'
import { VTextField } from 'vuetify/components/VTextField'
import { longestName } from '#core/base/text'
import { conditionWords } from '#core/language/conditions'
import { signalExamples } from '#core/language/signal-examples'
import { factKey, refOfKey } from '#core/facts/registry'
import { mostSignals, paletteColours, signalSigns } from '#core/model/names'
import type { Condition, ProjectId, Signal, ViewDefinition } from '#core/model/records'
import { useDirectory } from '../data/directory'
import { useWording } from '../data/wording'
import ColourChoice from '../parts/ColourChoice.vue'
import IconButton from '../parts/IconButton.vue'
import { SignalMark } from '../parts/signal-marks'
import ConditionEditor from './ConditionEditor.vue'
import TypedPhrases from './TypedPhrases.vue'
import { phraseWords } from './phrase-words'

/** What marks items that meet a condition: on or off, in an order, each with a name, a sign and a colour. */
const props = defineProps<{ project: ProjectId; definition: ViewDefinition }>()
const emit = defineEmits<{ change: [definition: ViewDefinition] }>()
const directory = useDirectory()
const wording = useWording(() => props.project)
const signals = computed(() => props.definition.signals ?? [])
/** The one that is looked at closely. */
const at = ref<number>()
const chosen = computed(() => signals.value[at.value ?? -1])
const put = (next: readonly Signal[]) => emit('change', { ...props.definition, signals: [...next] })
const set = (i: number, part: Partial<Signal>) =>
  put(signals.value.map((one, k) => (k === i ? { ...one, ...part } : one)))
function move(i: number, by: -1 | 1): void {
  const next = [...signals.value]
  const [one] = next.splice(i, 1)
  if (one) next.splice(i + by, 0, one)
  put(next)
}
const own: Signal = { name: phraseWords.newSignal, colour: 'moss', sign: 'flag', when: { about: 'all', of: [] } }
const offered = computed(() => [
  ...signalExamples.filter(({ name }) => !signals.value.some((one) => one.name === name)).map((one) => ({ title: one.name, value: one })),
  { title: phraseWords.ownSignal, value: own },
]) // prettier-ignore
function add(one: Signal): void {
  put([...signals.value, one])
  if (one === own) at.value = signals.value.length
}
const said = ({ when }: Signal) =>
  isSaid(when) && wording.value ? conditionWords(when, wording.value) : phraseWords.noCondition
/** A signal that asks nothing marks nothing. */
const isSaid = (when: Condition) => !('of' in when) || when.of.length > 0
const narrow = (conditions: readonly Condition[]) => {
  const [only] = conditions
  if (at.value !== undefined && only)
    set(at.value, { when: conditions.length > 1 ? { about: 'all', of: conditions } : only })
}
const colours = computed(() => [
  { value: '', title: phraseWords.noColour },
  { value: 'status', title: 'status' },
  ...directory.fields(props.project).filter(({ type }) => type === 'oneOption').map(({ id, name }) => ({ value: id as string, title: name })),
]) // prettier-ignore
const colourKey = computed(() => (props.definition.colourBy ? factKey(props.definition.colourBy) : ''))
function colourBy(key: string): void {
  const { colourBy: _before, ...rest } = props.definition
  emit('change', { ...rest, ...(key && { colourBy: refOfKey(key) }) } as ViewDefinition)
}
</script>

<template>
  <div class="signals">
    <template v-if="chosen && at !== undefined">
      <VTextField
        :model-value="chosen.name"
        :label="phraseWords.signalName"
        :maxlength="longestName"
        @update:model-value="$event.trim() && set(at, { name: $event })"
      />
      <ColourChoice
        :colours="signalSigns"
        :chosen="chosen.sign"
        :label="phraseWords.signalSign"
        @choose="set(at, { sign: $event })"
      >
        <template #default="{ colour: sign }">
          <SignalMark :sign="sign" :colour="chosen.colour" :name="sign" />
        </template>
      </ColourChoice>
      <ColourChoice
        :colours="paletteColours"
        :chosen="chosen.colour"
        :label="phraseWords.signalColour"
        @choose="set(at, { colour: $event })"
      />
      <p class="soft">{{ phraseWords.signalWhen }} {{ isSaid(chosen.when) ? said(chosen) : '' }}</p>
      <TypedPhrases
        :project="project"
        :where="[]"
        :label="phraseWords.signalWhen"
        :hint="phraseWords.signalWhich"
        only-conditions
        @add="narrow"
      />
      <ConditionEditor
        v-if="isSaid(chosen.when)"
        :project="project"
        :condition="chosen.when"
        :others="[]"
        @change="set(at, { when: $event })"
        @leave="at = undefined"
      />
      <div class="ends">
        <VBtn variant="plain" @click="at = undefined">{{ phraseWords.back }}</VBtn>
      </div>
    </template>
    <template v-else>
      <p class="soft">{{ phraseWords.signalsAbout }}</p>
      <ol :aria-label="phraseWords.signals">
        <li v-for="(one, i) in signals" :key="i" :class="{ off: one.isOff }">
          <VCheckboxBtn
            class="tick-box"
            :model-value="!one.isOff"
            :aria-label="phraseWords.signalOn(one.name)"
            @update:model-value="set(i, { isOff: !$event || undefined })"
          />
          <SignalMark :sign="one.sign" :colour="one.colour" :name="one.name" />
          <button type="button" class="what" :aria-label="phraseWords.moreOf(one.name)" @click="at = i">
            <b class="one-line">{{ one.name }}</b>
            <span class="soft one-line">{{ said(one) }}</span>
          </button>
          <IconButton v-if="i" :icon="mdiArrowUp" :label="phraseWords.sooner" @click="move(i, -1)" />
          <IconButton
            v-if="i < signals.length - 1"
            :icon="mdiArrowDown"
            :label="phraseWords.laterOn"
            @click="move(i, 1)"
          />
          <IconButton :icon="mdiClose" :label="phraseWords.takeOut" @click="put(signals.filter((_, k) => k !== i))" />
        </li>
      </ol>
      <VSelect
        v-if="signals.length < mostSignals"
        :key="signals.length"
        :model-value="null"
        :items="offered"
        :label="phraseWords.addSignal"
        return-object
        @update:model-value="$event && add(($event as { value: Signal }).value)"
      />
      <VSelect
        :model-value="colourKey"
        :items="colours"
        :label="phraseWords.colourBy"
        @update:model-value="colourBy($event as string)"
      />
    </template>
  </div>
</template>

<style scoped>
.signals {
  padding: 12px 14px;
  display: grid;
  gap: 10px;
  width: min(400px, 92vw);
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 4px;
}
li {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: max(36px, var(--target));
}
.what {
  flex: 1;
  min-width: 0;
  display: grid;
  text-align: left;
  min-height: var(--target);
}
.what span {
  font-size: var(--size-small);
}
.off b {
  color: var(--soft);
}
</style>
