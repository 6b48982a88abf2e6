<script setup lang="ts">
import type { TriedAnswer } from '#core/facts/workings'
import { workedFormWords } from './field-words'

/** What a worked-out field would be of some items that are there. */
defineProps<{ results: TriedAnswer['results'] }>()
</script>

<template>
  <p v-if="!results.length" class="soft">{{ workedFormWords.noItems }}</p>
  <div v-else class="tried">
    <span class="soft">{{ workedFormWords.results }}</span>
    <table>
      <tbody>
        <tr v-for="{ key, title, said } in results" :key="key">
          <td class="key soft">{{ key }}</td>
          <td class="one-line">{{ title }}</td>
          <td class="said" :class="{ soft: !said }">{{ said || workedFormWords.nothing }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.tried {
  padding: 8px 12px;
  background: var(--sunk);
  border-radius: var(--round);
}
table {
  width: 100%;
  table-layout: fixed;
  border-collapse: collapse;
}
td {
  padding: 2px 0;
}
.key {
  width: 64px;
}
.said {
  width: 32%;
  text-align: right;
  font-weight: 600;
  overflow-wrap: anywhere;
}
.said.soft {
  font-weight: 400;
}
</style>
