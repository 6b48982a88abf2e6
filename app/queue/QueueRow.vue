<script setup lang="ts">
import { computed } from 'vue'
import type { RowWithPath } from '#core/layouts/rows'
import { figuresOf } from '#core/fields/registry'
import { listed } from '#core/language/wording'
import { useDirectory } from '../data/directory'
import { itemWords } from '../item/words'
import { queueWords } from './words'
import { RowMenu } from '../parts/row-menu'
import { DueText, LeafMark } from '../parts/marks'

/** One item of a queue: what, inside what, whose turn, due, effort; with what the keys do where one stands. */
const props = defineProps<{ row: RowWithPath; here: boolean; part: string; next: string | undefined }>()
const emit = defineEmits<{ focus: []; open: []; moveOn: []; menu: [at: HTMLElement, point?: [number, number]] }>()
const directory = useDirectory()
const status = computed(() => directory.reader.maybe('status', props.row.item.status))
const project = computed(() => directory.reader.maybe('project', props.row.item.project))
const value = (use: 'due' | 'effort' | 'need') => {
  const field = project.value?.uses[use]
  return field ? props.row.item.values[field] : undefined
}
/** How much it is needed, where that is said. */
const need = computed(() =>
  directory.reader.optionsOf(project.value?.uses.need ?? '').find((option) => option.id === value('need')),
)
const effort = computed(() => {
  const held = value('effort')
  const field = directory.reader.maybe('field', project.value?.uses.effort ?? '')
  return typeof held === 'number' ? figuresOf(field).say(held) : ''
})
const names = computed(() =>
  listed(
    props.row.waitsFor.map((id) => directory.reader.names.person(id) ?? ''),
    'and',
  ),
)
const mayMove = computed(
  () => !!props.next && props.part !== 'waits' && directory.may('change items', props.row.item.project),
)
</script>

<template>
  <div
    class="it"
    :class="{ at: here }"
    @contextmenu.prevent="emit('menu', $event.currentTarget as HTMLElement, [$event.clientX, $event.clientY])"
  >
    <LeafMark v-if="status" :share="directory.share(status)" :colour="status.colour" :title="status.name" />
    <div class="what">
      <button
        :id="$attrs.id as string"
        type="button"
        class="title"
        :tabindex="here ? 0 : -1"
        @focus="emit('focus')"
        @click="emit('open')"
      >
        <span class="name">{{ row.item.title }}</span>
        <span class="path one-line"
          >{{ row.key }} · {{ [project?.name, ...row.path.map((one) => one.title)].join(' › ') }}</span
        >
      </button>
      <button v-if="here && mayMove" type="button" class="do" tabindex="-1" @click="emit('moveOn')">
        <b>→</b> {{ queueWords.moveOn(next ?? '') }}
      </button>
    </div>
    <span class="r one-line why">
      <template v-if="names">{{ queueWords.isOnTurn(names) }}</template>
      <template v-else-if="part === 'waits'">{{ itemWords.nobody }}</template>
      <span
        v-else-if="need"
        class="opt"
        :style="{ '--t': `var(--${need.colour}-tint)`, '--x': `var(--${need.colour}-text)` }"
        >{{ need.label }}</span
      >
    </span>
    <span class="r one-line since soft">{{ itemWords.since(row.daysInStatus) }}</span>
    <span class="r one-line due"
      ><DueText :due="typeof value('due') === 'string' ? (value('due') as string) : undefined" :late="row.late"
    /></span>
    <span class="r one-line effort soft">{{ effort }}</span>
    <RowMenu :of="row.key" class="acts" @click="emit('menu', $event.currentTarget as HTMLElement)" />
  </div>
</template>

<script lang="ts">
export default { inheritAttrs: false }
</script>

<style scoped>
.it {
  display: grid;
  grid-template-columns: var(--queue-columns);
  gap: 0 10px;
  padding: 8px 0 7px;
  border-bottom: 1px solid var(--rule);
  align-items: baseline;
}
.leaf {
  align-self: start;
  margin-top: 2px;
}
.what {
  min-width: 0;
}
.title {
  display: grid;
  width: 100%;
  min-height: var(--target);
}
.name {
  font-size: 14.5px;
  overflow-wrap: anywhere;
}
.title:hover .name {
  text-decoration: underline;
  text-underline-offset: 3px;
}
.path {
  font-size: var(--size-small);
  color: var(--soft);
}
.r {
  font-size: var(--size-small);
}
.effort {
  text-align: right;
}
.acts {
  align-self: start;
  margin-top: -2px;
  opacity: 0;
}
.it:hover .acts,
.at .acts,
.acts:focus-visible {
  opacity: 1;
}
.at {
  background: var(--raised);
  box-shadow: 0 0 0 1px var(--leaf);
  border-radius: var(--round-card);
  margin: 0 -10px;
  padding-left: 10px;
  padding-right: 10px;
  border-color: transparent;
}
.title:focus-visible {
  outline: none;
}
.at:has(.title:focus-visible) {
  box-shadow: 0 0 0 2px var(--leaf);
}
.do {
  font-size: var(--size-small);
  color: var(--pool);
  min-height: var(--target);
}
.do b {
  color: var(--ink);
  font-weight: 600;
}
@container queue (max-width: 760px) {
  .since {
    display: none;
  }
}
@container queue (max-width: 500px) {
  .why,
  .effort {
    display: none;
  }
}
@media (max-width: 700px) {
  .name {
    font-size: var(--size-body);
  }
  .acts {
    opacity: 1;
  }
}
</style>
