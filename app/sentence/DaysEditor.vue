<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import { fromDayNumber } from '#core/base/dates'
import { isSameValue } from '#core/base/sorted-ids'
import type { Condition, Day, FactRef, ProjectId } from '#core/model/records'
import { spanWords } from '#core/language/day-words'
import { dayMeant } from '#core/facts/viewer'
import { dayWords } from '../dates'
import { useDirectory } from '../data/directory'
import { useAsk } from '../data/use-ask'
import { words } from '../words'

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
    const told = await ask('conditionCounts', { project: props.project, others: props.others, conditions })
    if (told && now === spans.value) counts.value = told
  },
  { immediate: true },
)
const isHeld = (span: Span) => isSameValue(span, { from: props.from, to: props.to })

/** The next or last so many days. */
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
  day === null ? '' : fromDayNumber(dayMeant(day, directory.today, directory.reader.workspace()))
const valueOf = (event: Event) => (event.target as HTMLInputElement).value
</script>

<template>
  <div class="days">
    <div class="list" role="menu">
      <button
        v-for="(span, i) in spans"
        :key="say(span)"
        type="button"
        role="menuitemradio"
        :aria-checked="isHeld(span)"
        @click="emit('change', span.from, span.to)"
      >
        {{ say(span) }}<span class="soft">{{ counts[i] }}</span>
      </button>
    </div>
    <div class="own">
      <select :aria-label="words.phrase.way" :value="length.way" @change="setLength({ way: valueOf($event) })">
        <option value="next">{{ words.phrase.inTheNext }}</option>
        <option value="last">{{ words.phrase.inTheLast }}</option>
      </select>
      <input
        type="number"
        min="1"
        max="3660"
        :aria-label="words.phrase.howMany"
        :value="length.n"
        @change="setLength({ n: Math.round(Number(valueOf($event))) })"
      />
      <select
        :aria-label="words.phrase.daysOrWorkingDays"
        :value="length.of"
        @change="setLength({ of: valueOf($event) as 'day' | 'workingDay' })"
      >
        <option value="day">{{ words.phrase.days }}</option>
        <option value="workingDay">{{ words.phrase.workingDays }}</option>
      </select>
    </div>
    <div class="own">
      <label
        >{{ words.phrase.from }}
        <input type="date" :value="dateOf(from)" @change="emit('change', valueOf($event) || null, to)" /></label
      ><label
        >{{ words.phrase.to }}
        <input type="date" :value="dateOf(to)" @change="emit('change', from, valueOf($event) || null)"
      /></label>
    </div>
  </div>
</template>

<style scoped>
.list {
  display: grid;
  padding: 6px;
}
.list button {
  display: flex;
  justify-content: space-between;
  gap: 16px;
  padding: 4px 8px;
  border-radius: 3px;
  text-align: left;
}
.list button:hover,
.list button:focus-visible {
  background: var(--leaf-tint);
}
.list [aria-checked='true'] {
  font-weight: 600;
}
.own {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  padding: 4px 14px 8px;
}
.own input[type='number'] {
  width: 64px;
}
</style>
