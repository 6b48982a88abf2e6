<script setup lang="ts">
import { computed, nextTick, onMounted, ref, shallowRef, useId, watch } from 'vue'
import { navigateTo } from 'nuxt/app'
import { VAutocomplete } from 'vuetify/components/VAutocomplete'
import { VBtn } from 'vuetify/components/VBtn'
import { VSelect } from 'vuetify/components/VSelect'
import { VTextField } from 'vuetify/components/VTextField'
import { VTextarea } from '../parts/controls'
import { longestHelp, longestName } from '#core/base/text'
import { compareText } from '#core/base/collation'
import { isSameValue } from '#core/base/sorted-ids'
import { saidLayouts } from '#core/layouts/said'
import { newView, proposedName } from '#core/language/new-view'
import { printed } from '#core/language/sentence'
import type { Phrase } from '#core/language/grammar'
import type { LayoutName } from '#core/model/names'
import type { Allows, Audience, Fallback, PersonId, Project, View, ViewId } from '#core/model/records'
import { useChanges } from '../data/changes'
import { colleaguesOf } from '../data/colleagues'
import { isOwn, useDirectory } from '../data/directory'
import { useViews } from '../data/views'
import { useWording } from '../data/wording'
import PopDialog from '../parts/PopDialog.vue'
import { editorWords } from '../parts/words'
import DefaultsList from '../set-up/DefaultsList.vue'
import AllowsEditor from './AllowsEditor.vue'
import ElsewhereNote from './ElsewhereNote.vue'
import TypedPhrases from './TypedPhrases.vue'
import { heldWords, keepWords } from './view-words'

/**
 * A view as a thing: what it is called, what it is for, where it is listed, who sees it, what it gives to new items. Of a
 * view that there is (`of`); or of one that is made, as the one at hand is (`from`) or of phrases that are typed here.
 */
const props = defineProps<{ project: Project; of?: View | undefined; from?: View | undefined }>()
const emit = defineEmits<{ leave: [] }>()
const changes = useChanges()
const directory = useDirectory()
const views = useViews()
const wording = useWording(() => props.project.id)

const id = useId()
const layout = ref<LayoutName>('table')
const phrases = shallowRef<readonly Phrase[]>([])
const known = props.of ?? props.from
const definition = computed(() =>
  known ? views.definitionOf(known) : wording.value && newView(wording.value, layout.value, phrases.value),
)
const layouts = computed(
  () =>
  Object.values(saidLayouts).filter(({ name }) => wording.value && newView(wording.value, name, [])).map(({ name, words }) => ({ value: name, title: words })), // prettier-ignore
)
const said = computed(() => (wording.value && definition.value ? printed(definition.value, wording.value) : ''))

const proposed = computed(() =>
  wording.value && definition.value ? proposedName(definition.value, wording.value) : '',
)
const typed = ref<string | undefined>(props.of?.name)
const name = computed({ get: () => typed.value ?? proposed.value, set: (now) => (typed.value = now) })
const input = ref<InstanceType<typeof VTextField>>()
onMounted(() => void nextTick(() => known && input.value?.select()))

const about = ref(known?.about ?? '')
const heading = ref(known?.heading ?? '')
const headings = computed(() =>
  [...new Set(directory.views(props.project.id).flatMap((view) => view.heading ?? []))].sort(compareText),
)
const mayShare = computed(() => directory.may('keep views for everyone', props.project.id))
const isMine = computed(() => !props.of || props.of.maker === directory.me?.id)
const who = ref<Audience['of']>(props.of?.audience.of ?? (mayShare.value && !props.from ? 'project' : 'maker'))
const people = ref<PersonId[]>(props.of?.audience.of === 'people' ? [...props.of.audience.people] : [])
const others = computed(() =>
  colleaguesOf(directory.reader, directory.me).map(({ id, name }) => ({ value: id, title: name })),
)
const audiences = computed(() => [
  ...(isMine.value ? [{ value: 'maker', title: keepWords.onlyMe }] : []),
  ...(isMine.value || who.value === 'people' ? [{ value: 'people', title: keepWords.some }] : []),
  { value: 'project', title: keepWords.everyone(props.project.name), props: { disabled: !mayShare.value } },
])
const audience = computed((): Audience => (who.value === 'people' ? { of: 'people', people: people.value } : { of: who.value })) // prettier-ignore
const gives = ref<Record<string, Fallback | null>>({ ...known?.gives })
const allows = ref<Allows | null>(known?.allows ?? null)
const list = ref<InstanceType<typeof DefaultsList>>()
const isWhole = computed(() => !!name.value.trim() && !!definition.value && (who.value !== 'people' || people.value.length > 0)) // prettier-ignore
watch(who, (now) => now !== 'people' && (people.value = []))

async function save(): Promise<void> {
  if (!isWhole.value || !definition.value) return
  const made = {
    name: name.value.trim(),
    about: about.value.trim() || null,
    heading: (heading.value ?? '').trim() || null,
    audience: audience.value,
    gives: list.value?.kept() ?? null,
    allows: allows.value,
  }
  if (props.of) return void ((await change(props.of, made)) && emit('leave'))
  const view = props.from ? await views.addFrom(props.from, made) : await views.add(props.project.id, { ...made, definition: definition.value }) // prettier-ignore
  if (!view) return
  emit('leave')
  await navigateTo(`/app/${props.project.prefix}/${view}`)
}
/** Sends what is another than it was. */
async function change(view: View, made: Partial<View>): Promise<boolean> {
  const set = Object.fromEntries(
    Object.entries(made).flatMap(([field, to]) => {
      const from = view[field as keyof View]
      return isSameValue(from, to) ? [] : [[field, { from: from ?? null, to }]]
    }),
  )
  return !Object.keys(set).length || changes.send({ type: 'view.set', target: view.id, set })
}
</script>

<template>
  <PopDialog
    :model-value="true"
    :label="of ? keepWords.setTitle(of.name) : keepWords.newTitle"
    @update:model-value="emit('leave')"
  >
    <form class="asked view-form" @submit.prevent="save">
      <h2>{{ of ? keepWords.setTitle(of.name) : from ? keepWords.copyTitle : keepWords.newTitle }}</h2>
      <template v-if="!known">
        <VSelect v-model="layout" :items="layouts" :label="keepWords.layout" />
        <div>
          <p class="soft">{{ keepWords.which }}</p>
          <TypedPhrases
            :project="project.id"
            :where="definition?.where ?? []"
            :label="keepWords.which"
            :hint="keepWords.whichHint"
            @phrases="phrases = [...phrases, ...$event]"
            @leave="emit('leave')"
          />
        </div>
      </template>
      <p class="said">
        {{ said }}
        <button v-if="phrases.length" type="button" class="link" @click="phrases = []">
          {{ keepWords.startOver }}
        </button>
      </p>
      <VTextField
        ref="input"
        v-model="name"
        :label="keepWords.name"
        :maxlength="longestName"
        @focus="typed === undefined && input?.select()"
      />
      <VTextarea v-model="about" :label="keepWords.about" :maxlength="longestHelp" rows="2" auto-grow />
      <VTextField
        v-model="heading"
        :label="keepWords.heading"
        :hint="keepWords.headingHint"
        :maxlength="longestName"
        :list="`${id}-headings`"
      />
      <datalist :id="`${id}-headings`">
        <option v-for="one in headings" :key="one" :value="one" />
      </datalist>
      <VSelect v-model="who" :items="audiences" :label="keepWords.who" />
      <VAutocomplete
        v-if="who === 'people'"
        v-model="people"
        :items="others"
        :label="keepWords.people"
        multiple
        chips
        closable-chips
      />
      <p v-if="!mayShare" class="soft">{{ keepWords.leadsOnly }}</p>
      <p v-else-if="of && isOwn(of)" class="soft">{{ heldWords.tryFirst }}</p>
      <AllowsEditor v-model="allows" :project="project" />
      <ElsewhereNote
        v-if="definition && (allows || (definition.where.length && who !== 'maker'))"
        :project="project"
        :of="{
          id: (of?.id ?? '') as ViewId,
          project: project.id,
          maker: (of?.maker ?? directory.me?.id) as PersonId,
          audience,
        }"
        :holds="!!allows"
        :narrows="definition.where.length > 0"
      />
      <details :open="!!Object.keys(gives).length">
        <summary>{{ keepWords.gives }}</summary>
        <div class="gives">
          <DefaultsList
            ref="list"
            v-model="gives"
            :fields="directory.fields(project.id)"
            :none="keepWords.givesNone"
            :another="keepWords.givesAnother"
            no-next
          />
        </div>
      </details>
      <div class="ends">
        <VBtn type="submit" variant="flat" :disabled="!isWhole">{{
          of ? keepWords.saveIt : from ? keepWords.save : keepWords.make
        }}</VBtn>
        <VBtn variant="plain" @click="emit('leave')">{{ editorWords.cancel }}</VBtn>
      </div>
    </form>
  </PopDialog>
</template>

<style scoped>
.view-form {
  max-height: 86vh;
  overflow: auto;
  padding-bottom: 0;
  /* What has the keyboard is not left under it. */
  scroll-padding-bottom: 76px;
}
/* However much is above, what ends it stays in sight. */
.view-form > .ends {
  position: sticky;
  bottom: 0;
  margin: 0 -24px;
  padding: 12px 24px 16px;
  background: var(--raised);
  border-top: 1px solid var(--rule);
  z-index: 1;
}
.said {
  font: var(--type-phrase);
  color: var(--soft);
  overflow-wrap: anywhere;
}
summary {
  cursor: pointer;
  min-height: 24px;
}
.gives {
  display: grid;
  gap: 12px;
  padding-top: 10px;
}
</style>
