<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import { navigateTo } from 'nuxt/app'
import { useRoute } from 'vue-router'
import { VBtn } from 'vuetify/components/VBtn'
import { pastedFile } from '../../../data/pasted-file'
import FileChooser from '../../../bring-in/FileChooser.vue'
import PlannedRows from '../../../bring-in/PlannedRows.vue'
import PlanSide from '../../../bring-in/PlanSide.vue'
import { useBringIn } from '../../../bring-in/use-bring-in'
import AppFrame from '../../../shell/AppFrame.vue'
import { grouped } from '../../../counted'
import { useChanges } from '../../../data/changes'
import { useDirectory } from '../../../data/directory'
import { bringInWords } from '../../../bring-in/words'
import { viewWords } from '../../../view-layouts/words'

/** Brings a file in: what each column would become, what each row will be, what is left out and why; then confirmed. */
const route = useRoute()
const directory = useDirectory()
const project = computed(() => directory.byPrefix(String(route.params.prefix)))
const statuses = computed(() => (project.value ? directory.statuses(project.value.id) : []))
/** Columns of which it has to be said how they are written, each with a cell that can be read in two ways. */
const open = computed(() =>
  bringIn.columns.value.flatMap((column, i) =>
    bringIn.openIn(column).map((unsure) => ({ column: i, header: column.header, unsure, example: column.example })),
  ),
)
const fields = computed(() => (project.value ? directory.fields(project.value.id) : []))
const bringIn = useBringIn(() => project.value)
const { fileName, file, columns, plan, broughtIn } = bringIn
const changes = useChanges()
/** Undone meanwhile, it is no longer said to be there. */
const isUndone = computed(() => !!broughtIn.value && !changes.isDone(broughtIn.value.command))

/** A table that was pasted elsewhere is brought in here. */
onMounted(() => {
  const pasted = pastedFile.value
  pastedFile.value = undefined
  if (pasted) void bringIn.take(pasted)
})

const rows = ref<InstanceType<typeof PlannedRows>>()
let walked = -1
function nextFault(): void {
  const faults = plan.value?.faults ?? []
  if (!faults.length) return
  walked = (walked + 1) % faults.length
  void rows.value?.goTo(faults[walked]?.line ?? 0)
}
const firstTable = computed(
  () => project.value && directory.views(project.value.id).find((view) => view.definition.layout === 'table'),
)
const leave = () => navigateTo(firstTable.value ? `/app/${project.value?.prefix}/${firstTable.value.id}` : '/app')
function onKey(event: KeyboardEvent): void {
  const isTyping = /^(INPUT|SELECT)$/.test((event.target as HTMLElement).tagName)
  if (event.key === 'Enter' && event.ctrlKey) void bringIn.go()
  else if (event.key === 'Escape' && !isTyping) void leave()
  else if (event.key.toLowerCase() === 'f' && !isTyping && !event.ctrlKey && !event.metaKey) nextFault()
  else return
  event.preventDefault()
}
addEventListener('keydown', onKey)
onBeforeUnmount(() => removeEventListener('keydown', onKey))
</script>

<template>
  <AppFrame>
    <template #sentence>
      <div class="row">
        <h1>
          {{ bringInWords.title }} <span v-if="fileName" class="soft">{{ fileName }}</span>
          <small class="soft"
            >{{ bringInWords.into }} {{ project?.name
            }}<template v-if="file">
              · UTF-8, {{ bringInWords.split(bringInWords.delimiters[file.delimiter] ?? '') }}</template
            ></small
          >
        </h1>
        <div v-if="file" class="count">
          <b>{{ grouped(file.records) }}</b> <span class="soft">{{ bringInWords.rows(file.header.length) }}</span>
        </div>
      </div>
    </template>
    <p v-if="!project" class="soft pad">{{ viewWords.noSuchProject }}</p>
    <div v-else-if="broughtIn" class="pad done" role="status">
      <h2>{{ isUndone ? bringInWords.undone : bringInWords.done(broughtIn.count) }}</h2>
      <div class="ends">
        <VBtn v-if="!isUndone" variant="flat" size="large" @click="leave">{{ bringInWords.see }}</VBtn>
        <VBtn variant="plain" @click="bringIn.forget">{{ bringInWords.another }}</VBtn>
      </div>
    </div>
    <FileChooser
      v-else-if="!file"
      :reading="bringIn.reading.value"
      :said="bringIn.said.value"
      @take="bringIn.take"
      @stop="bringIn.stop"
    />
    <div v-else class="work">
      <PlannedRows
        ref="rows"
        :name="fileName"
        :file="file"
        :columns="columns"
        :plan="plan"
        :fields="fields"
        :fetch="bringIn.rows"
        :place-of="bringIn.placeOf"
        @retarget="bringIn.retarget"
      />
      <PlanSide
        :plan="plan"
        :statuses="statuses"
        :open="open"
        :said="bringIn.said.value"
        :may-go="bringIn.mayGo.value"
        :is-sending="bringIn.isSending.value"
        @status="bringIn.setStatus"
        @written="bringIn.setWritten"
        @mend="bringIn.mend"
        @go-to="rows?.goTo($event)"
        @go="bringIn.go"
      />
    </div>
    <template #tally>
      <span class="soft hints"
        ><kbd>F</kbd> {{ bringInWords.nextFault }} &nbsp; <kbd>Ctrl Enter</kbd> {{ bringInWords.confirm }} &nbsp;
        <kbd>Esc</kbd> {{ bringInWords.leave }}</span
      >
    </template>
  </AppFrame>
</template>

<style scoped>
.row {
  display: flex;
  gap: 20px;
  align-items: baseline;
}
h1 {
  font: var(--type-heading);
}
h1 small {
  font: var(--type-plain);
  margin-left: 6px;
}
.count {
  margin-left: auto;
  white-space: nowrap;
}
.count b {
  font: var(--type-figure);
}
.pad {
  padding: 64px 24px;
  display: grid;
  gap: 12px;
  justify-items: start;
  align-content: start;
}
.pad h2 {
  font: var(--type-title);
}
.ends {
  display: flex;
  gap: 16px;
  align-items: center;
}
.work {
  height: 100%;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 318px;
}
@media (max-width: 700px) {
  .work {
    grid-template: minmax(0, 1fr) auto / minmax(0, 1fr);
  }
  .hints {
    display: none;
  }
}
</style>
