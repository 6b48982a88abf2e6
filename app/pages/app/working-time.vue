<script setup lang="ts">
import { computed } from 'vue'
import { VAutocomplete } from 'vuetify/components/VAutocomplete'
import { VBtn } from 'vuetify/components/VBtn'
import { useChanges } from '../../data/changes'
import { useDirectory } from '../../data/directory'
import SectionHead from '../../parts/SectionHead.vue'
import DaysOff from '../../people/DaysOff.vue'
import { workingWords } from '../../people/working-words'
import AppFrame from '../../shell/AppFrame.vue'

/** On which days the team works, by which clocks, and who is away when. */
const directory = useDirectory()
const changes = useChanges()
const workspace = computed(() => directory.reader.workspace())
const manages = computed(() => directory.may('manage people'))
const isWorked = (day: number): boolean => workspace.value.workingWeek.includes(day)

function setWorkspace(set: { workingWeek?: number[]; timeZone?: string }): void {
  const { id, workingWeek, timeZone } = workspace.value
  void changes.send({
    type: 'workspace.set',
    target: id,
    set: {
      ...(set.workingWeek && { workingWeek: { from: [...workingWeek], to: set.workingWeek } }),
      ...(set.timeZone && { timeZone: { from: timeZone, to: set.timeZone } }),
    },
  })
}
const turn = (day: number): void =>
  setWorkspace({
    workingWeek: isWorked(day)
      ? workspace.value.workingWeek.filter((one) => one !== day)
      : [...workspace.value.workingWeek, day].sort((a, b) => a - b),
  })
/** All that this browser knows; the one that is set is among them. */
const zones = computed(() => [...new Set([workspace.value.timeZone, ...Intl.supportedValuesOf('timeZone')])].sort())
</script>

<template>
  <AppFrame>
    <template #sentence>
      <h1>{{ workingWords.title }}</h1>
    </template>
    <div class="list plain-page">
      <p class="soft about">{{ workingWords.about }}</p>
      <section>
        <SectionHead :title="workingWords.week" />
        <div class="week" role="group" :aria-label="workingWords.worked">
          <VBtn
            v-for="(name, i) in workingWords.short"
            :key="name"
            :variant="isWorked(i + 1) ? 'flat' : 'outlined'"
            :aria-pressed="isWorked(i + 1)"
            :aria-label="workingWords.weekdays[i]"
            :disabled="!manages"
            @click="turn(i + 1)"
            >{{ name }}</VBtn
          >
          <span class="soft">{{ workingWords.perWeek(workspace.workingWeek.length) }}</span>
        </div>
        <VAutocomplete
          class="zone"
          :model-value="workspace.timeZone"
          :items="zones"
          :label="workingWords.zone"
          :hint="workingWords.zoneHint"
          :readonly="!manages"
          auto-select-first
          persistent-hint
          @update:model-value="$event && $event !== workspace.timeZone && setWorkspace({ timeZone: $event })"
        />
      </section>
      <section>
        <SectionHead :title="workingWords.holidays" />
        <p class="soft">{{ workingWords.holidaysAbout }}</p>
        <DaysOff whose="everyone" :label="workingWords.holidays" :none="workingWords.noHolidays" />
      </section>
      <section>
        <SectionHead :title="workingWords.away" />
        <p class="soft">{{ workingWords.awayAbout }}</p>
        <DaysOff whose="each" :label="workingWords.away" :none="workingWords.noDaysOff" />
      </section>
    </div>
  </AppFrame>
</template>

<style scoped>
h1 {
  font: var(--type-heading);
}
.list {
  display: grid;
  gap: 24px;
  align-content: start;
}
section,
.about {
  max-width: 760px;
}
section {
  display: grid;
  gap: 12px;
}
.week {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.week .v-btn {
  min-width: 52px;
}
@media (max-width: 700px) {
  .week {
    gap: 4px;
  }
  .week .v-btn {
    min-width: 46px;
    padding: 0 6px;
  }
}
.zone {
  max-width: 320px;
}
</style>
