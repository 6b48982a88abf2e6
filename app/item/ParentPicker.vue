<script setup lang="ts">
import type { Item } from '#core/model/records'
import ItemFinder from '../parts/ItemFinder.vue'
import { words } from '../words'

/** Chooses the item inside which another stands; null: it stands at the top. */
defineProps<{ item: Item }>()
const emit = defineEmits<{ choose: [id: string | null]; leave: [] }>()
</script>

<template>
  <div class="picker">
    <ItemFinder
      :label="words.item.parent"
      :project="item.project"
      :without="item.id"
      @choose="emit('choose', $event.id)"
      @leave="emit('leave')"
    />
    <button v-if="item.parent" type="button" class="link" @click="emit('choose', null)">
      {{ words.item.noParent }}
    </button>
  </div>
</template>

<style scoped>
.picker {
  width: 340px;
  padding: 8px;
}
.link {
  padding: 6px;
}
</style>
