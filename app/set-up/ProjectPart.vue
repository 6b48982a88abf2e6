<script setup lang="ts">
import { computed } from 'vue'
import { longestHelp } from '#core/base/text'
import { useRouter } from 'vue-router'
import { builtInNames, type BuiltIn } from '#core/model/called'
import { useNames } from '#core/model/names'
import { paletteColours, type Field, type PaletteColour, type Project } from '#core/model/records'
import ProjectNames, { type Names } from '../shell/ProjectNames.vue'
import { projectWords } from '../shell/project-words'
import ColourChoice from '../parts/ColourChoice.vue'
import SectionHead from '../parts/SectionHead.vue'
import { headOf } from '../parts/called'
import LineEditor from '../people/LineEditor.vue'
import { useDirectory } from '../data/directory'
import { changeSet } from '../shell/project-names'
import { tableWords } from '../view-layouts/words'
import { useSetUpChange } from './changes'
import { projectPartWords, setUpWords, statusWords } from './words'

/** What the project itself is called and looks like, and what its own fields are called in it. */
const props = defineProps<{ project: Project; mayEdit: boolean }>()
const directory = useDirectory()
const setUp = useSetUpChange()
const router = useRouter()
async function rename(names: Names): Promise<void> {
  const { id } = props.project
  const set = changeSet(props.project, names)
  if (!set || !(await setUp.send({ type: 'project.set', target: id, set }))) return
  if (set.prefix) await router.replace(`/app/${names.prefix}/set-up/project`)
}
function paint(to: PaletteColour): void {
  const { id, colour: from } = props.project
  if (to !== from) void setUp.send({ type: 'project.set', target: id, set: { colour: { from, to } } })
}
const fields = computed(() =>
  useNames.flatMap((use) => {
    const field = directory.reader.maybe('field', props.project.uses[use] ?? '')
    return field && !field.archived ? [{ use, field }] : []
  }),
)
/** Title and status, which every item has: no fields, but named and described like them. */
const builtIns = computed(
  () =>
  builtInNames.map((of) => ({ of, name: headOf(directory, props.project.id, of), help: props.project.called?.[of]?.help ?? '' })), // prettier-ignore
)
function call(of: BuiltIn, to: { name?: string; help?: string }): void {
  const { id, called } = props.project
  const own = called?.[of]
  const name = to.name ?? own?.name ?? null
  const next = { ...called, [of]: { name: name === tableWords[of] || !name ? null : name, help: to.help ?? own?.help ?? '' } } // prettier-ignore
  void setUp.send({ type: 'project.set', target: id, set: { called: { from: called ?? null, to: next } } })
}
function set(field: Field, what: 'name' | 'help', to: string): void {
  if (what === 'name' && !to) return
  void setUp.send({ type: 'field.set', target: field.id, set: { [what]: { from: field[what], to } } })
}
</script>

<template>
  <div class="part">
    <section v-if="mayEdit">
      <ProjectNames
        :key="`${project.name} ${project.prefix}`"
        class="names"
        :title="projectWords.nameTitle"
        :names="project"
        :go="projectWords.save"
        :about="projectWords.nameAbout"
        in-place
        @take="rename"
      />
      <SectionHead :title="statusWords.colour" />
      <ColourChoice
        :colours="paletteColours"
        :chosen="project.colour"
        :label="projectPartWords.colour"
        @choose="paint"
      />
    </section>
    <section>
      <SectionHead :title="projectPartWords.names" />
      <p class="soft">{{ mayEdit ? projectPartWords.namesAbout : setUpWords.onlyLeads }}</p>
      <dl>
        <template v-for="one in builtIns" :key="one.of">
          <dt class="soft">{{ projectPartWords.builtIn[one.of] }}</dt>
          <dd>
            <LineEditor
              :text="one.name"
              :label="projectPartWords.nameOf(one.of)"
              :may-edit="mayEdit"
              @set="call(one.of, { name: $event })"
            />
          </dd>
          <dd>
            <LineEditor
              class="soft"
              :text="one.help"
              :label="projectPartWords.help(one.name)"
              :none="projectPartWords.noHelp"
              :longest="longestHelp"
              :may-edit="mayEdit"
              @set="call(one.of, { help: $event })"
            />
          </dd>
        </template>
        <template v-for="{ use, field } in fields" :key="use">
          <dt class="soft">{{ projectPartWords.serves[use] }}</dt>
          <dd>
            <LineEditor
              :text="field.name"
              :label="projectPartWords.nameOf(use)"
              :may-edit="mayEdit"
              @set="set(field, 'name', $event)"
            />
          </dd>
          <dd>
            <LineEditor
              class="soft"
              :text="field.help"
              :label="projectPartWords.help(field.name)"
              :none="projectPartWords.noHelp"
              :longest="longestHelp"
              :may-edit="mayEdit"
              @set="set(field, 'help', $event)"
            />
          </dd>
        </template>
      </dl>
    </section>
  </div>
</template>

<style scoped>
.part {
  padding-top: 14px;
  display: grid;
  gap: 24px;
  max-width: 680px;
}
.names {
  padding: 0 0 18px;
  max-width: 420px;
}
dl {
  display: grid;
  grid-template-columns: minmax(110px, 170px) minmax(90px, 1fr) minmax(0, 2fr);
  gap: 2px 14px;
  align-items: center;
  margin: 8px 0 0;
}
dd {
  margin: 0;
  min-width: 0;
}
@media (max-width: 700px) {
  dl {
    grid-template-columns: 1fr 1fr;
  }
  dt {
    grid-column: 1 / -1;
    padding-top: 8px;
  }
}
</style>
