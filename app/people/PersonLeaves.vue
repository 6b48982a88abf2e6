<script setup lang="ts">
import { computed, ref } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { together } from '#core/commands/bare'
import type { BareCommand } from '#core/commands/registry'
import { handedOver } from '#core/people/hand-over'
import type { Person, PersonId } from '#core/model/records'
import { peopleChoices } from '../parts/choices'
import SectionHead from '../parts/SectionHead.vue'
import SelectOne from '../parts/SelectOne.vue'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { useQuery } from '../data/use-query'
import { personWords } from './words'

/** What somebody has to hand over before they leave, done in one step; who has left can come back. */
const props = defineProps<{ person: Person; isMe: boolean }>()
const changes = useChanges()
const directory = useDirectory()
const { answer: work } = useQuery('openWork', () => ({ person: props.person.id }))
const first = computed(() => props.person.name.split(' ')[0] ?? props.person.name)
const nobody = ''
const successors = computed(() => [
  ...peopleChoices(directory)
    .filter(({ id }) => id !== props.person.id)
    .map(({ id, label }) => ({ value: id, title: label })),
  { value: nobody, title: personWords.nobody },
])
const to = ref({ inHand: nobody, waiting: nobody })
const parts = computed(() =>
  (['inHand', 'waiting'] as const).flatMap((part) => {
    const items = work.value?.[part] ?? []
    return items.length ? [{ part, items, name: personWords[part](items.length) }] : []
  }),
)
const count = computed(() => parts.value.reduce((sum, { items }) => sum + items.length, 0))
const shownKeys = (items: readonly { key: string }[]) =>
  `${items.slice(0, 8).map(({ key }) => key).join(', ')}${items.length > 8 ? ' …' : ''}` // prettier-ignore

function leave(): void {
  const { person } = props
  const orNobody = (id: string) => (id || null) as PersonId | null
  const bodies = work.value
    ? handedOver(work.value, person.id, { inHand: orNobody(to.value.inHand), waiting: orNobody(to.value.waiting) })
    : []
  void changes.send(
    together([
      ...bodies.map((items): BareCommand => ({ type: 'items.set', items })),
      { type: 'person.remove', target: person.id, how: {} },
    ]),
  )
}
const comeBack = () =>
  changes.send({ type: 'person.set', target: props.person.id, set: { active: { from: false, to: true } } })
</script>

<template>
  <section v-if="!person.active" class="left">
    <p class="soft">{{ personWords.hasLeft(first) }}</p>
    <VBtn variant="outlined" @click="comeBack">{{ personWords.comeBack }}</VBtn>
  </section>
  <section v-else-if="!isMe">
    <SectionHead :title="personWords.ifLeaves(first)" />
    <p v-if="work" class="soft">
      {{ count ? personWords.openItems(count, first) : personWords.noItems(first) }}
      <template v-if="person.role">{{ personWords.endsAtOnce }}</template>
    </p>
    <div v-for="{ part, items, name } in parts" :key="part" class="part">
      <span
        >{{ name }} <small class="soft">{{ shownKeys(items) }}</small></span
      >
      <SelectOne
        :choices="successors"
        :chosen="to[part]"
        :label="personWords.goesTo(name)"
        @choose="to = { ...to, [part]: $event }"
      />
    </div>
    <VBtn variant="outlined" :disabled="!work" @click="leave">{{
      !person.role ? personWords.takeOff : count ? personWords.leave : personWords.close
    }}</VBtn>
    <p class="soft small">{{ personWords.keepsName }}</p>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 8px;
  justify-items: start;
}
section > :first-child {
  justify-self: stretch;
}
.part {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 160px;
  gap: 4px 12px;
  align-items: center;
  justify-self: stretch;
}
.part small {
  display: block;
  font: var(--type-aside);
}
.small {
  font: var(--type-aside);
}
</style>
