<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, watch, watchEffect } from 'vue'
import { useRoute } from 'vue-router'
import { VBtn } from 'vuetify/components/VBtn'
import { VSelect } from 'vuetify/components/VSelect'
import { VApp } from 'vuetify/components/VApp'
import type { Sheet } from '#core/queries/sheet'
import { printed as printedSentence } from '#core/language/sentence'
import { nowLive } from '../../../../data/stands'
import { useChanges } from '../../../../data/changes'
import { useDirectory } from '../../../../data/directory'
import { useSession } from '../../../../data/session'
import { useAskResult } from '../../../../data/use-ask'
import { useViews } from '../../../../data/views'
import { useWording } from '../../../../data/wording'
import { dayWords } from '../../../../dates'
import { grouped } from '../../../../counted'
import { nameOfGroup, totalText } from '../../../../parts/group-names'
import { fitting, pageStyle, papers, widthOf, type Paper } from '../../../../print/pages'
import { printWords } from '../../../../print/words'

/** A view as it is printed: chosen paper, as many columns as fit, their heads and the page's number on every page. */
const route = useRoute()
const directory = useDirectory()
const session = useSession()
const views = useViews()
const changes = useChanges()
const ask = useAskResult()
const project = computed(() => directory.byPrefix(String(route.params.prefix)))
const view = computed(() => {
  const found = directory.reader.maybe('view', String(route.params.view))
  return found && !found.archived && found.project === project.value?.id ? found : undefined
})
const definition = computed(() => view.value && views.definitionOf(view.value))
const wording = useWording(() => project.value?.id)
const sentence = computed(() =>
  wording.value && definition.value ? printedSentence(definition.value, wording.value) : '',
)

const sheet = shallowRef<Sheet>()
const wrong = ref('')
watch(
  () => [view.value?.id, JSON.stringify(definition.value), !!session.api] as const,
  async ([id, , isThere]) => {
    if (!id || !isThere || !view.value) return
    const made = await ask('sheet', { ...views.inputOf(view.value), as: 'shown' })
    wrong.value = made && !made.ok ? await changes.wordsFor(made.problem) : ''
    sheet.value = made?.ok ? made.value : undefined
  },
  { immediate: true },
)
const paper = ref<Paper>('A4')
const isAcross = ref(true)
/** Where something stands inside another, an outline shows by how far it is indented. */
const partOf = 4
const columns = computed(() => (sheet.value?.columns ?? []).map((column, i) => ({ ...column, at: i })).filter(({ at }) => at !== partOf)) // prettier-ignore
const fits = computed(() => fitting(columns.value, paper.value, isAcross.value))
const printed = computed(() => fits.value.fit.flatMap((i) => columns.value[i] ?? []))
const left = computed(() => fits.value.left.flatMap((i) => columns.value[i]?.name ?? []))
/** More lines than anyone reads on paper. */
const most = 5000
const lines = computed(() => sheet.value?.lines.slice(0, most) ?? [])
const count = computed(() => sheet.value?.lines.filter((line) => 'cells' in line).length ?? 0)
const title = computed(() => [directory.reader.workspace().name, project.value?.name, view.value?.name].filter(Boolean).join(' · ')) // prettier-ignore

let style: CSSStyleSheet | undefined
onMounted(() => {
  nowLive()
  style = new CSSStyleSheet()
  document.adoptedStyleSheets = [...document.adoptedStyleSheets, style]
  watchEffect(
    () =>
    style?.replaceSync(pageStyle(paper.value, isAcross.value, title.value, dayWords(directory.today, directory.language))), // prettier-ignore
  )
})
onBeforeUnmount(() => {
  document.adoptedStyleSheets = document.adoptedStyleSheets.filter((one) => one !== style)
})
const print = () => window.print()
</script>

<template>
  <VApp class="print-page">
    <div v-if="!view" class="bar">
      <h1>{{ printWords.noView }}</h1>
    </div>
    <template v-else>
      <div class="bar">
        <h1>{{ printWords.title(view.name) }}</h1>
        <VSelect v-model="paper" :items="Object.keys(papers)" :label="printWords.paper" />
        <VSelect
          v-model="isAcross"
          :items="[
            { value: false, title: printWords.upright },
            { value: true, title: printWords.across },
          ]"
          :label="printWords.direction"
        />
        <VBtn variant="flat" :disabled="!sheet" @click="print">{{ printWords.print }}</VBtn>
        <VBtn variant="plain" :to="`/app/${project?.prefix}/${view.id}`">{{ printWords.back }}</VBtn>
        <p role="status" class="soft">
          <template v-if="wrong">{{ wrong }}</template>
          <template v-else-if="!sheet">{{ printWords.making }}</template>
          <template v-else>
            {{
              left.length
                ? printWords.left(left, isAcross, isAcross && paper === 'A3')
                : printWords.fits(printed.length)
            }}
            <template v-if="sheet.lines.length > most">{{ printWords.tooMany(most, sheet.lines.length) }}</template>
          </template>
        </p>
      </div>
      <main class="paper">
        <p class="said">{{ sentence }} {{ printWords.items(count) }}.</p>
        <table v-if="sheet">
          <thead>
            <tr>
              <th
                v-for="column in printed"
                :key="column.at"
                scope="col"
                :class="{ number: column.isNumber }"
                :style="{ width: `${widthOf(column, column.at === 1)}mm` }"
              >
                {{ column.name }}
              </th>
            </tr>
          </thead>
          <tbody>
            <template v-for="(line, i) in lines" :key="i">
              <tr v-if="'head' in line" class="group">
                <th :colspan="printed.length" scope="colgroup">
                  <template v-if="wording && definition">
                    {{
                      nameOfGroup(definition.group[line.head.path.length - 1]!, line.head.path.at(-1) ?? null, wording)
                    }}
                    <span class="soft">
                      {{ grouped(line.head.count)
                      }}<template v-for="(total, t) in definition.totals" :key="t"
                        ><template v-if="total.name !== 'count'">
                          · {{ totalText(total, line.head.totals[t], wording) }}</template
                        ></template
                      >
                    </span>
                  </template>
                </th>
              </tr>
              <tr v-else>
                <td
                  v-for="column in printed"
                  :key="column.at"
                  :class="{ number: column.isNumber }"
                  :style="column.at === 1 && line.level ? { paddingLeft: `${1 + line.level * 4}mm` } : undefined"
                >
                  {{ line.cells[column.at] }}
                </td>
              </tr>
            </template>
          </tbody>
        </table>
      </main>
    </template>
  </VApp>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 16px;
  align-items: end;
  padding: 14px 24px;
  background: var(--sunk);
  border-bottom: 1px solid var(--rule-strong);
}
.bar p {
  flex: 1 0 100%;
}
h1 {
  font: var(--type-heading);
  flex: 1 1 100%;
}
.bar .v-select {
  flex: 0 0 140px;
}
.paper {
  padding: 24px;
  overflow-x: auto;
  max-width: 100%;
}
.said {
  font: var(--type-phrase);
  margin-bottom: 10px;
}
table {
  border-collapse: collapse;
  font-size: 9pt;
  line-height: 1.3;
}
th,
td {
  text-align: left;
  vertical-align: top;
  padding: 1mm 2mm 1mm 0;
  border-bottom: 0.2mm solid var(--rule);
  overflow-wrap: anywhere;
  white-space: pre-line;
}
thead {
  display: table-header-group;
}
thead th {
  border-bottom: 0.4mm solid var(--ink);
  font-weight: 600;
}
thead th::first-letter {
  text-transform: uppercase;
}
.number {
  text-align: right;
  padding-right: 4mm;
}
.group th {
  padding-top: 4mm;
  font: 600 10pt var(--serif);
}
tr {
  break-inside: avoid;
}
.group {
  break-after: avoid;
}
@media print {
  .bar {
    display: none;
  }
  .paper {
    padding: 0;
    overflow: visible;
  }
  .print-page,
  .print-page :deep(.v-application__wrap) {
    background: #fff;
    color: #000;
    min-height: 0;
    display: block;
  }
  th,
  td,
  .said,
  .soft {
    color: #000;
    border-color: #999;
  }
}
</style>
