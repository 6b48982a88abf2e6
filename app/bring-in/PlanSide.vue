<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { VProgressLinear } from 'vuetify/components/VProgressLinear'
import { VTextField } from 'vuetify/components/VTextField'
import SelectOne from '../parts/SelectOne.vue'
import type { Unsure, Written } from '#core/bring-in/guess'
import type { Fault } from '#core/bring-in/plan'
import type { Status, StatusId } from '#core/model/records'
import { useChanges } from '../data/changes'
import { useSession } from '../data/session'
import { grouped } from '../counted'
import { bringInWords } from './words'
import { headOf } from '../parts/called'
import { useDirectory } from '../data/directory'
import type { PlanSummary } from './worker'

/** A column of which something has to be said. */
export interface OpenColumn {
  readonly column: number
  readonly header: string
  readonly unsure: Unsure
  readonly example: string
}
/** What will be brought in, what is left out and why, what must be said first; then it is confirmed. */
const props = defineProps<{
  plan: PlanSummary | undefined
  statuses: readonly Status[]
  /** Columns of which it has to be said how they are written. */
  open: readonly OpenColumn[]
  said: string
  mayGo: boolean
  isSending: boolean
}>()
const directory = useDirectory()
const emit = defineEmits<{
  status: [text: string, status: StatusId]
  written: [column: number, said: Partial<Written>]
  mend: [line: number, column: number, text: string]
  goTo: [line: number]
  go: []
}>()
const changes = useChanges()
const session = useSession()
/** How much is done; undefined before the server has begun. */
const share = computed(() => session.standing.large?.share)

const faultWords = shallowRef<ReadonlyMap<number, string>>(new Map())
watch(
  () => props.plan,
  async (plan) => {
    const found = await Promise.all(
      (plan?.faults ?? []).map(async (fault) => [fault.line, await changes.wordsFor(fault.problem)] as const),
    )
    faultWords.value = new Map(found)
  },
  { immediate: true },
)
/** What there is none of is not said. */
const summary = computed(() => {
  const { plan } = props
  if (!plan) return []
  const { items, levels, faults, movedUp, peopleNamed, newPeople, newKinds, newFields } = plan
  return [
    { count: items, words: bringInWords.will(items, levels), tone: '' },
    { count: faults.length, words: bringInWords.leftOut(faults.length), tone: 'rust' },
    { count: movedUp.length, words: bringInWords.movedUp(movedUp.length), tone: 'ochre' },
    { count: peopleNamed, words: bringInWords.people(peopleNamed, newPeople), tone: '' },
    { count: newKinds, words: bringInWords.newKinds(newKinds), tone: '' },
    { count: newFields, words: bringInWords.newFields(newFields), tone: '' },
  ].filter((line) => line.count)
})
const ways: Readonly<Record<Unsure, readonly { value: string; title: string }[]>> = {
  first: [
    { value: 'day', title: bringInWords.dayFirst },
    { value: 'month', title: bringInWords.monthFirst },
  ],
  decimal: [
    { value: '.', title: bringInWords.point },
    { value: ',', title: bringInWords.comma },
  ],
}
const mendText = ref<Record<number, string>>({})
function mend({ line, column }: Fault): void {
  const text = mendText.value[line]
  if (text !== undefined) emit('mend', line, column, text)
}
</script>

<template>
  <aside class="side">
    <div v-if="plan" class="sum">
      <template v-for="line in summary" :key="line.words"
        ><b :class="line.tone">{{ grouped(line.count) }}</b
        ><span>{{ line.words }}</span></template
      >
    </div>
    <div class="lists">
      <section v-if="plan?.unknownStatuses.length">
        <h2>{{ bringInWords.statuses }}</h2>
        <p class="soft">{{ bringInWords.statusHint }}</p>
        <div v-for="text in plan.unknownStatuses" :key="text" class="map">
          <span>{{ text }}</span>
          <SelectOne
            :label="`${headOf(directory, statuses[0]?.project, 'status')}: ${text}`"
            :placeholder="bringInWords.chooseStatus"
            :choices="statuses.map((status) => ({ value: status.id, title: status.name }))"
            :chosen="undefined"
            @choose="emit('status', text, $event)"
          />
        </div>
      </section>
      <section v-if="plan && open.length">
        <h2>{{ bringInWords.written }}</h2>
        <p class="soft">{{ bringInWords.writtenHint }}</p>
        <div v-for="{ column, header, unsure, example } in open" :key="`${column} ${unsure}`" class="map">
          <span
            >{{ header }} <span class="soft">{{ example }}</span></span
          >
          <SelectOne
            :label="bringInWords.writtenIn(header)"
            :placeholder="bringInWords.chooseStatus"
            :choices="ways[unsure]"
            :chosen="undefined"
            @choose="emit('written', column, { [unsure]: $event })"
          />
        </div>
      </section>
      <section v-if="plan?.faults.length">
        <h2>{{ bringInWords.faults }}</h2>
        <form v-for="fault in plan.faults.slice(0, 200)" :key="fault.line" class="f" @submit.prevent="mend(fault)">
          <button type="button" class="n soft" @click="emit('goTo', fault.line)">{{ fault.line }}</button>
          <span
            >{{ faultWords.get(fault.line) }}
            <VTextField
              v-if="fault.column >= 0"
              :id="`mend-${fault.line}`"
              v-model="mendText[fault.line]"
              variant="underlined"
              :aria-label="bringInWords.mend(fault.line)"
              :placeholder="bringInWords.mend(fault.line)"
          /></span>
        </form>
      </section>
      <section v-if="plan?.movedUp.length">
        <h2>{{ bringInWords.upHead }}</h2>
        <div v-for="one in plan.movedUp.slice(0, 200)" :key="one.line" class="f">
          <button type="button" class="n soft" @click="emit('goTo', one.line)">{{ one.line }}</button><span>{{
            bringInWords.upLine(one.from)
          }}</span>
        </div>
      </section>
    </div>
    <p v-if="said" class="note wrong" role="alert">{{ said }}</p>
    <VBtn v-if="!isSending" variant="flat" size="large" :disabled="!mayGo" @click="emit('go')">{{
      bringInWords.go(plan?.items ?? 0)
    }}</VBtn>
    <div v-else class="sending">
      <span>{{ bringInWords.sending(plan?.items ?? 0, share) }}</span>
      <VProgressLinear
        :indeterminate="share === undefined"
        :model-value="(share ?? 0) * 100"
        :aria-label="bringInWords.sending(plan?.items ?? 0)"
      />
    </div>
    <span class="soft small">{{ bringInWords.nothingYet }}</span>
  </aside>
</template>

<style scoped>
.side {
  border-left: 1px solid var(--rule-strong);
  background: var(--raised);
  padding: 14px 18px;
  display: flex;
  flex-direction: column;
  gap: 9px;
  font-size: var(--size-data);
  min-height: 0;
}
.sending {
  display: grid;
  gap: 6px;
}
.sum {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 3px 12px;
  font-size: var(--size-data);
}
.sum b {
  text-align: right;
  font-weight: 600;
}
.ochre {
  color: var(--ochre-text);
}
.lists {
  flex: 1;
  overflow: auto;
  min-height: 0;
  margin-right: -10px;
  padding-right: 10px;
}
.side h2 {
  font: var(--type-head);
  padding-top: 8px;
}
.f {
  display: grid;
  grid-template-columns: minmax(34px, max-content) 1fr;
  gap: 2px 8px;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
  line-height: 1.35;
}
.n {
  align-self: start;
  min-height: var(--target);
  min-width: var(--target);
}
.map {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
  padding: 4px 0;
}
.small {
  font-size: var(--size-small);
}
@media (max-width: 700px) {
  .side {
    border-left: 0;
    border-top: 1px solid var(--rule-strong);
    max-height: 50vh;
  }
}
</style>
