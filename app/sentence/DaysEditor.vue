<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import { VList, VListItem } from 'vuetify/components/VList'
import { VNumberInput } from 'vuetify/components/VNumberInput'
import { VTextField } from 'vuetify/components/VTextField'
import SelectOne from '../parts/SelectOne.vue'
import { fromDayNumber } from '#core/base/dates'
import { isSameValue } from '#core/base/sorted-ids'
import type { Condition, Day, FactRef, ProjectId } from '#core/model/records'
import { spanWords } from '#core/language/day-words'
import { dayMeant } from '#core/facts/viewer'
import { dayWords } from '../dates'
import { useDirectory } from '../data/directory'
import { useAsk } from '../data/use-ask'
import { phraseWords } from './phrase-words'

/** From a day to a day: the usual spans with what each would give, spans of one's own length, days of the calendar. */
const props = defineProps<{
  project: ProjectId
  fact: FactRef
  others: readonly Condition[]
  from: Day | null
  to: Day | null
}>()
const emit = defineEmits<{ change: [from: Day | null, to: Day | null] }>()
const directory = useDirectory()
const ask = useAsk()

type Span = { readonly from: Day | null; readonly to: Day | null }
const today = { of: 'day', n: 0 } as const
const whole = (of: 'week' | 'month' | 'quarter' | 'year', n: number): Span => ({
  from: { of, n },
  to: { of, n, end: true },
})
const usual: readonly Span[] = [
  { from: null, to: { of: 'day', n: -1 } },
  { from: today, to: today },
  whole('week', 0),
  whole('week', 1),
  { from: today, to: { of: 'workingDay', n: 10 } },
  { from: { of: 'day', n: -5 }, to: today },
  whole('month', 0),
  whole('month', 1),
  whole('quarter', 0),
  { from: null, to: null },
]
const say = (span: Span) => spanWords(span, (date) => dayWords(date, directory.language, directory.today))
const spans = computed(() => {
  const held = { from: props.from, to: props.to }
  return usual.some((one) => isSameValue(one, held)) ? usual : [held, ...usual]
})
const counts = shallowRef<readonly number[]>([])
watch(
  [spans, () => JSON.stringify(props.others)],
  async ([now]) => {
    const conditions = now.map((span): Condition => ({
      about: 'fact',
      fact: props.fact,
      test: { is: 'days', ...span },
    }))
    const found = await ask('conditionCounts', { project: props.project, others: props.others, conditions })
    if (found && now === spans.value) counts.value = found
  },
  { immediate: true },
)
const isHeld = (span: Span) => isSameValue(span, { from: props.from, to: props.to })

/** The next or last few days. */
const length = computed(() => {
  const end = [props.to, props.from].find((one) => typeof one === 'object' && one && (one.of === 'day' || one.of === 'workingDay') && one.n) // prettier-ignore
  return end && typeof end === 'object' ? { n: Math.abs(end.n), way: end.n < 0 ? 'last' : 'next', of: end.of as 'day' | 'workingDay' } : { n: 5, way: 'next', of: 'workingDay' as const } // prettier-ignore
})
function setLength(part: Partial<typeof length.value>): void {
  const { n, way, of } = { ...length.value, ...part }
  if (!(n >= 1 && n <= 3660)) return
  emit('change', way === 'last' ? { of, n: -n } : today, way === 'last' ? today : { of, n })
}
const dateOf = (day: Day | null) =>
  day === null ? '' : fromDayNumber(dayMeant(day, directory.today, directory.reader.workingTime()))
const waysFromToday = [
  { value: 'next', title: phraseWords.inTheNext },
  { value: 'last', title: phraseWords.inTheLast },
] as const
const dayKinds = [
  { value: 'day', title: phraseWords.days },
  { value: 'workingDay', title: phraseWords.workingDays },
] as const
</script>

<template>
  <div class="days">
    <VList role="menu">
      <VListItem
        v-for="(span, i) in spans"
        :key="say(span)"
        role="menuitemradio"
        :aria-checked="isHeld(span)"
        :active="isHeld(span)"
        :title="say(span)"
        @click="emit('change', span.from, span.to)"
      >
        <template #append
          ><span class="soft">{{ counts[i] }}</span></template
        >
      </VListItem>
    </VList>
    <div class="own">
      <SelectOne
        :label="phraseWords.way"
        :choices="waysFromToday"
        :chosen="length.way"
        @choose="setLength({ way: $event })"
      />
      <VNumberInput
        variant="underlined"
        :min="1"
        :max="3660"
        :aria-label="phraseWords.howMany"
        :model-value="length.n"
        @update:model-value="$event && setLength({ n: $event })"
      />
      <SelectOne
        :label="phraseWords.daysOrWorkingDays"
        :choices="dayKinds"
        :chosen="length.of"
        @choose="setLength({ of: $event })"
      />
    </div>
    <div class="own">
      <VTextField
        type="date"
        :label="phraseWords.from"
        :model-value="dateOf(from)"
        @update:model-value="emit('change', $event || null, to)"
      />
      <VTextField
        type="date"
        :label="phraseWords.to"
        :model-value="dateOf(to)"
        @update:model-value="emit('change', from, $event || null)"
      />
    </div>
  </div>
</template>

<style scoped>
.own {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  padding: 4px 14px 8px;
}
.own > * {
  flex: 1 1 96px;
}
</style>
