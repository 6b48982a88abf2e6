<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import type { Row } from '#core/layouts/rows'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { words } from '../words'
import ActMenu, { type Act } from './ActMenu.vue'
import { copyLink } from './copy-link'
import type { MenuPlace } from './menu-place'

/** What can be done with an item from its row or card: what its place offers comes first. */
const props = defineProps<{ place: MenuPlace<Row>; acts: readonly Act[] }>()
const emit = defineEmits<{ close: [] }>()
const changes = useChanges()
const directory = useDirectory()
const router = useRouter()
const all = computed((): Act[] => {
  const { item, address } = props.place.row
  const archive: Act = {
    label: item.archived ? words.item.restore : words.item.archive,
    do: () => void changes.send({ type: 'items.archive', items: [item.id], archived: !item.archived }),
  }
  return [
    ...props.acts,
    { label: words.item.wholePage, do: () => void router.push(`/app/items/${address}`) },
    { label: words.item.copyAddress, do: () => void copyLink(address).then(() => changes.say(words.item.copied)) },
    ...(directory.may('change items', item.project) ? [archive] : []),
  ]
})
</script>

<template>
  <ActMenu
    :acts="all"
    :label="words.frame.acts(place.row.key)"
    :at="place.at"
    :point="place.point"
    @close="emit('close')"
  />
</template>
