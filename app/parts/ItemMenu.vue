<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import type { Row } from '#core/layouts/rows'
import { useChanges } from '../data/changes'
import { useThrough } from '../data/through'
import { itemWords } from '../item/words'
import { frameWords } from '../shell/words'
import ActMenu, { type Act } from './ActMenu.vue'
import { copyLink } from './copy'
import { useDuplicate } from './use-duplicate'
import type { MenuPlace } from './menu-place'

/** What can be done with an item from its row or card: what its place offers comes first. */
const props = defineProps<{ place: MenuPlace<Row>; acts: readonly Act[] }>()
const emit = defineEmits<{ close: [] }>()
const changes = useChanges()
const through = useThrough()
const router = useRouter()
const duplicate = useDuplicate()
const all = computed((): Act[] => {
  const { item, address, children } = props.place.row
  const archive = (label: string, inside: boolean): Act => ({
    label,
    do: () => void changes.send({ type: 'items.archive', items: [item.id], archived: !item.archived, inside }),
  })
  return [
    ...props.acts,
    { label: itemWords.wholePage, do: () => void router.push(`/app/items/${address}`) },
    { label: itemWords.copyAddress, do: () => void copyLink(address).then(() => changes.say(itemWords.copied)) },
    ...(through.mayAdd(item.project)
      ? [
          { label: itemWords.duplicate, do: () => void duplicate(props.place.row, false) },
          ...(children ? [{ label: itemWords.duplicateWhole, do: () => void duplicate(props.place.row, true) }] : []),
        ]
      : []),
    ...(through.mayRemove(item.project)
      ? [
          archive(item.archived ? itemWords.restore : itemWords.archive, !!item.archived),
          ...(children && !item.archived ? [archive(itemWords.archiveWhole, true)] : []),
        ]
      : []),
  ]
})
</script>

<template>
  <ActMenu
    :acts="all"
    :label="frameWords.acts(place.row.key)"
    :at="place.at"
    :point="place.point"
    @close="emit('close')"
  />
</template>
