<script setup lang="ts">
import { computed } from 'vue'
import type { GroupKey, Total } from '#core/model/records'
import type { GroupHead } from '#core/layouts/rows'
import type { Wording } from '#core/language/wording'
import { nameOfGroup, totalText } from '../../parts/group-names'
import { PersonPebbles, StatusText } from '../../parts/marks'
import { groupWords } from '../../parts/words'
import { tallyWords } from '../../shell/words'
import { tableWords } from '../words'

/** The head of a group in a table: what the group is, how many items, what they add up to; it folds. */
const props = defineProps<{
  head: GroupHead
  group: readonly GroupKey[]
  totals: readonly Total[]
  wording: Wording
  index: number
  top: number
  /** It has the keyboard. */
  isAt: boolean
}>()
defineEmits<{ fold: []; menu: [at: HTMLElement, point?: [number, number]] }>()
const level = computed(() => props.head.path.length - 1)
const key = computed(() => props.group[level.value])
const value = computed(() => props.head.path[level.value] ?? null)
const name = computed(() => (key.value ? nameOfGroup(key.value, value.value, props.wording) : ''))
const isPerson = computed(() => typeof value.value === 'string' && !!props.wording.reader.maybe('person', value.value))
/** Of an option: its colour. */
const tint = computed(
  () => typeof value.value === 'string' && props.wording.reader.maybe('option', value.value)?.colour,
)
const totals = computed(() =>
  props.totals
    .map((total, i) => ({ total, value: props.head.totals[i] }))
    // How many there are is said beside the name.
    .filter(({ total }) => total.name !== 'count')
    .map(({ total, value }) => totalText(total, value, props.wording)),
)
</script>

<template>
  <div
    role="row"
    class="head-row"
    :class="`level-${level}`"
    :aria-rowindex="index + 2"
    :aria-level="level + 1"
    :style="{ transform: `translateY(${top}px)`, paddingLeft: `${24 + 18 * level}px` }"
  >
    <button
      type="button"
      role="gridcell"
      class="name"
      :data-row="index"
      data-column="0"
      :tabindex="isAt ? 0 : -1"
      :aria-expanded="!head.folded"
      :aria-label="`${(head.folded ? groupWords.unfold : groupWords.fold)(name)}, ${tallyWords.items(head.count)}`"
      @click="$emit('fold')"
      @contextmenu.prevent.stop="$emit('menu', $event.currentTarget as HTMLElement, [$event.clientX, $event.clientY])"
    >
      <span class="fold" aria-hidden="true">{{ head.folded ? '▸' : '▾' }}</span>
      <StatusText v-if="key?.by.fact === 'status' && value !== null" :status="String(value)" />
      <template v-else>
        <PersonPebbles v-if="isPerson" :people="[String(value)]" />
        <span
          :class="{ soft: value === null, opt: tint }"
          :style="tint ? { '--t': `var(--${tint}-tint)`, '--x': `var(--${tint}-text)` } : undefined"
          >{{ name }}</span
        >
      </template>
      <span class="soft count">{{ head.count }}</span>
    </button>
    <span
      class="acts"
      aria-hidden="true"
      :title="tableWords.groupActs"
      @mousedown.prevent
      @click="$emit('menu', ($event.currentTarget as HTMLElement).previousElementSibling as HTMLElement)"
      >⋯</span
    >
    <span v-for="total in totals" :key="total" class="total" role="gridcell">{{ total }}</span>
  </div>
</template>

<style scoped>
.head-row {
  display: flex;
  align-items: center;
  gap: 22px;
  position: absolute;
  left: 0;
  right: 0;
  height: calc(var(--row) + 1px);
  padding-right: 24px;
  border-bottom: 1px solid var(--rule);
  background: var(--sunk);
  contain: strict;
  white-space: nowrap;
}
.level-1 {
  background: color-mix(in oklab, var(--sunk) 55%, var(--paper));
}
.level-2 {
  background: var(--paper);
}
.name {
  display: flex;
  align-items: center;
  gap: 7px;
  font-weight: 600;
  padding: 3px 8px 3px 0;
  min-height: var(--target);
  border-radius: var(--round);
  overflow: hidden;
  text-overflow: ellipsis;
}
/* Seen where the pointer is; the keyboard has its own key for it. */
.acts {
  visibility: hidden;
  width: 24px;
  line-height: 22px;
  text-align: center;
  border-radius: var(--round);
  margin-left: -14px;
  cursor: pointer;
}
.acts:hover {
  background: var(--raised);
}
.head-row:hover .acts {
  visibility: visible;
}
@media (hover: none) {
  .acts {
    visibility: visible;
    min-width: var(--target);
    line-height: var(--target);
  }
}
.fold {
  width: 12px;
  color: var(--soft);
  flex: none;
  font-size: 11px;
}
.count {
  font-weight: 400;
}
.total {
  font-size: var(--size-small);
  color: var(--soft);
}
</style>
