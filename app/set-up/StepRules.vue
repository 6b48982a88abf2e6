<script setup lang="ts">
import { computed, ref } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { isSameValue } from '#core/base/sorted-ids'
import { isOver } from '#core/model/turn'
import type { Demand, StatusId } from '#core/model/records'
import ChoiceList from '../parts/ChoiceList.vue'
import PopMenu from '../parts/PopMenu.vue'
import { useDirectory } from '../data/directory'
import { demandChoices, type StatusRow } from './statuses'
import { useSetUpChange } from './changes'
import { statusWords } from './words'

/** Where items may go from a status, or what entering it asks for: ticked, and kept together when it is left. */
const props = defineProps<{ row: StatusRow; rows: readonly StatusRow[]; fact: 'goesTo' | 'asks'; at: HTMLElement }>()
const emit = defineEmits<{ leave: [] }>()
const directory = useDirectory()
const setUp = useSetUpChange()
const others = computed(() => props.rows.filter(({ id }) => id !== props.row.id))
const demands = computed(() => demandChoices(directory.reader, props.row.status.project))
const choices = computed(() =>
  props.fact === 'asks'
    ? demands.value
    : others.value.map(({ id, name, status }) => ({
        id: id as string,
        label: name,
        leaf: { share: directory.share(status), colour: status.colour },
      })),
)
function heldNow(): string[] {
  const { goesTo, asks } = props.row.step
  if (props.fact === 'goesTo') return others.value.map(({ id }) => id as string).filter((id) => !goesTo || goesTo.includes(id as StatusId)) // prettier-ignore
  return demands.value.filter(({ demand }) => asks?.some((one) => isSameValue(one, demand))).map(({ id }) => id)
}
const ticked = ref<readonly string[]>(heldNow())
const toggle = (id: string): void => {
  ticked.value = ticked.value.includes(id) ? ticked.value.filter((one) => one !== id) : [...ticked.value, id]
}
const isAnywhere = computed(() => ticked.value.length === others.value.length)
const note = computed(() => {
  if (props.fact === 'asks') return statusWords.asksHint
  if (isAnywhere.value) return statusWords.anywhereHint
  return ticked.value.length || isOver(props.row.status.phase)
    ? statusWords.goesToHint
    : statusWords.noWayOut(props.row.name)
})
let isLeft = false
function leave(): void {
  if (isLeft) return
  isLeft = true
  emit('leave')
  if (isSameValue([...ticked.value].sort(), heldNow().sort())) return
  const { step } = props.row
  const goesTo = isAnywhere.value
    ? null
    : others.value.filter(({ id }) => ticked.value.includes(id)).map(({ id }) => id)
  const asked: Demand[] = demands.value.filter(({ id }) => ticked.value.includes(id)).map(({ demand }) => demand)
  const set =
    props.fact === 'goesTo'
      ? { goesTo: { from: step.goesTo ?? null, to: goesTo } }
      : { asks: { from: step.asks ?? null, to: asked.length ? asked : null } }
  void setUp.send({ type: 'step.set', target: step.id, set } as never)
}
</script>

<template>
  <PopMenu :at="at" @close="leave">
    <ChoiceList
      several
      :choices="choices"
      :chosen="ticked"
      :label="fact === 'asks' ? statusWords.asks : statusWords.goesTo"
      @choose="toggle"
      @leave="leave"
    />
    <p class="hint" :class="note === statusWords.noWayOut(row.name) ? 'rust' : 'soft'" role="status">{{ note }}</p>
    <VBtn v-if="fact === 'goesTo' && !isAnywhere" variant="plain" @click="ticked = others.map(({ id }) => id)">{{
      statusWords.anywhereAgain
    }}</VBtn>
  </PopMenu>
</template>

<style scoped>
.hint {
  max-width: 300px;
  padding: 0 14px 10px;
  font-size: var(--size-small);
}
</style>
