<script setup lang="ts">
import { computed, getCurrentScope, nextTick, onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { mdiDotsHorizontal } from '@mdi/js'
import { VBtn } from 'vuetify/components/VBtn'
import type { View, ViewDefinition } from '#core/model/records'
import { isHolding } from '#core/saved-views/through'
import { sentenceOf, type PhraseName } from '#core/language/sentence'
import { PopMenu } from '../parts/controls'
import IconButton from '../parts/IconButton.vue'
import { addresses, HeldHere, KeepView, PhraseEditor, ViewDialog } from './editors'
import { isOwn, useDirectory } from '../data/directory'
import { showChanged } from '../data/show-changed'
import { useAsk } from '../data/use-ask'
import { useViews } from '../data/views'
import { grouped } from '../counted'
import { shortened } from './shortened'
import { sentenceWords } from './words'
import { tallyWords } from '../shell/words'
import { viewWords } from '../view-layouts/words'
import { useWording } from '../data/wording'

/**
 * The view said in plain words; every phrase is a control that opens its editor on the spot. A phrase is no button
 * element: those do not break over lines as words do.
 */
const props = defineProps<{ view: View; definition: ViewDefinition; count: number | undefined }>()
const emit = defineEmits<{ menu: [at: HTMLElement] }>()
const directory = useDirectory()
const views = useViews()
const route = useRoute()
const router = useRouter()
const ask = useAsk()
// A change of the view stands in its address, once the page does. Where the address began with none, what one had changed
// oneself is waited for elsewhere (pages/app.vue).
const scope = getCurrentScope()
const begun = route.query.change ? showChanged : undefined
onMounted(async () => {
  const { followAddress } = await addresses()
  scope?.run(() => followAddress(() => props.view, route, router, ask, begun))
})
const project = computed(() => directory.reader.maybe('project', props.view.project))
const wording = useWording(() => props.view.project)
const pieces = computed(() => (wording.value ? sentenceOf(props.definition, wording.value) : []))
const isPast = computed(() => pieces.value.some((piece) => 'phrase' in piece && piece.isPast))
const isChanged = computed(() => views.isChanged(props.view))
const mayKeep = computed(() => directory.mayKeep(props.view))
const isMine = computed(() => isOwn(props.view))
const open = ref<{ phrase: PhraseName; at: HTMLElement }>()
const isUnfolded = ref(false)

function press(phrase: PhraseName, event: Event): void {
  open.value = { phrase, at: event.currentTarget as HTMLElement }
}
function change(definition: ViewDefinition, phrase?: PhraseName): void {
  views.change(props.view, definition)
  if (!phrase) return leave()
  // The editor goes on with another phrase, once that one is drawn.
  void nextTick(() => {
    const find = (name: PhraseName) => document.querySelector<HTMLElement>(`[data-phrase="${name}"]`)
    // A phrase that says nothing yet stands nowhere: its editor opens where it was asked for.
    const at = find(phrase) ?? find('more')
    open.value = at ? { phrase, at } : undefined
  })
}
function leave(): void {
  const at = open.value?.at
  open.value = undefined
  at?.focus()
}
/** Where it is asked what saving it changes, or under which name it is saved as another. */
const keepingAt = ref<HTMLElement>()
const isNaming = ref(false)
const isOvertaken = computed(() => !!views.overtakenFrom(props.view))
/** One's own is saved at once, unless it was saved elsewhere meanwhile. */
function keep(event: Event): void {
  if (isMine.value && !isOvertaken.value) void views.keep(props.view)
  else keepingAt.value = event.currentTarget as HTMLElement
}
</script>

<template>
  <div class="row">
    <h1 class="sentence-text" :class="{ unfolded: isUnfolded }">
      <span class="unseen">{{ view.name }}: </span>
      <template v-for="(piece, i) in pieces" :key="'phrase' in piece ? piece.phrase : i"
        ><span
          v-if="'phrase' in piece"
          role="button"
          tabindex="0"
          class="phrase"
          :class="[piece.phrase, { past: piece.isPast }]"
          :data-phrase="piece.phrase"
          aria-haspopup="dialog"
          :aria-expanded="open?.phrase === piece.phrase"
          :title="
            piece.isPast ? sentenceWords.notApplied : shortened(piece.words) === piece.words ? undefined : piece.words
          "
          @click="press(piece.phrase, $event)"
          @keydown.enter.prevent="press(piece.phrase, $event)"
          @keydown.space.prevent="press(piece.phrase, $event)"
          >{{ shortened(piece.words) }}</span
        ><span v-else>{{ piece.words }}</span></template
      >
      <button type="button" class="phrase more unfold" @click="isUnfolded = !isUnfolded">
        {{ isUnfolded ? sentenceWords.fewer : sentenceWords.all }}
      </button>
    </h1>
    <div class="count">
      <template v-if="count !== undefined"
        ><b>{{ grouped(count) }}</b
        >{{ ' ' }}<span class="soft">{{ tallyWords.itemsWord(count) }}</span></template
      ><IconButton
        class="acts"
        :icon="mdiDotsHorizontal"
        :label="sentenceWords.acts"
        aria-haspopup="menu"
        @click="emit('menu', $event.currentTarget as HTMLElement)"
      />
      <HeldHere v-if="isHolding(view)" :view="view" />
      <div v-if="isPast" class="kept">{{ sentenceWords.notApplied }}</div>
      <div v-if="isChanged" class="kept">
        <span :class="{ rust: isOvertaken }">{{ isOvertaken ? viewWords.overtaken : viewWords.notKept }}</span>
        <VBtn v-if="isOvertaken" variant="plain" aria-haspopup="dialog" @click="keep">{{ viewWords.compare }}</VBtn>
        <VBtn v-else-if="mayKeep" variant="plain" :aria-haspopup="isMine ? undefined : 'dialog'" @click="keep">{{
          isMine ? viewWords.saveMine : viewWords.keepForAll
        }}</VBtn>
        <VBtn variant="plain" aria-haspopup="dialog" @click="isNaming = true">{{ viewWords.keepAsMine }}</VBtn>
        <VBtn variant="plain" @click="views.putBack(view)">{{ viewWords.putBack }}</VBtn>
      </div>
      <div v-else-if="view.about" class="about">{{ view.about }}</div>
    </div>
    <KeepView v-if="keepingAt" :view="view" :at="keepingAt" @leave="keepingAt = undefined" @another="isNaming = true" />
    <ViewDialog v-if="isNaming && project" :project="project" :from="view" @leave="isNaming = false" />
    <PopMenu v-if="open" :at="open.at" @close="leave">
      <div role="dialog" :aria-label="sentenceWords.more">
        <PhraseEditor
          :key="open.phrase"
          :phrase="open.phrase"
          :view="view"
          :definition="definition"
          @change="change"
          @keep-open="views.change(view, $event)"
          @leave="leave"
        />
      </div>
    </PopMenu>
  </div>
</template>

<style scoped>
.row {
  display: flex;
  gap: 20px;
  align-items: flex-start;
}
.phrase.layout {
  color: var(--leaf);
}
.phrase.past {
  text-decoration: line-through;
  color: var(--soft);
}
.unfold {
  display: none;
}
.count {
  margin-left: auto;
  white-space: nowrap;
  text-align: right;
  padding-top: 3px;
}
.count b {
  font: var(--type-figure);
}
.kept {
  color: var(--wren);
  font-size: var(--size-small);
  padding-top: 4px;
}
.about {
  color: var(--soft);
  font-size: var(--size-small);
  max-width: 32ch;
  white-space: normal;
}
@media (max-width: 700px) {
  .about {
    display: none;
  }
  .row {
    flex-wrap: wrap;
    gap: 4px 12px;
  }
  .count {
    max-width: 100%;
    white-space: normal;
  }
  .sentence-text {
    font-size: var(--size-body);
  }
  .sentence-text:not(.unfolded) > :nth-child(n + 4):not(.unfold) {
    display: none;
  }
  .unfold {
    display: inline;
    margin-left: 6px;
  }
}
</style>
