<script setup lang="ts">
import { VBtn } from 'vuetify/components/VBtn'
import type { Item } from '#core/model/records'
import { itemWords } from '../item/words'
import ItemFinder from './ItemFinder.vue'

/** Chooses the item inside which another stands; null: it stands at the top. */
defineProps<{ item: Item }>()
const emit = defineEmits<{ choose: [id: string | null]; leave: [] }>()
</script>

<template>
  <div class="picker">
    <ItemFinder
      :label="itemWords.parent"
      :project="item.project"
      :without="[item.id]"
      @choose="emit('choose', $event.id)"
      @leave="emit('leave')"
    />
    <VBtn v-if="item.parent" variant="plain" @click="emit('choose', null)">{{ itemWords.noParent }}</VBtn>
  </div>
</template>

<style scoped>
.picker {
  width: 340px;
  padding: 8px;
}
</style>
