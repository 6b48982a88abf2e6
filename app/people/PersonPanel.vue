<script setup lang="ts">
import { computed } from 'vue'
import { mdiClose } from '@mdi/js'
import { memberId } from '#core/access/access'
import { hoursOf, minutesIn, weekSaid } from '#core/base/week'
import type { Person, Project, Role } from '#core/model/records'
import type { Account } from '#core/wire/accounts'
import { useEditing } from '../parts/editing'
import IconButton from '../parts/IconButton.vue'
import SectionHead from '../parts/SectionHead.vue'
import SelectOne from '../parts/SelectOne.vue'
import { PersonPebble } from '../parts/marks'
import { editorWords } from '../parts/words'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { frameWords } from '../shell/words'
import DaysOff from './DaysOff.vue'
import GettingIn from './GettingIn.vue'
import LineEditor from './LineEditor.vue'
import PersonEditor from './PersonEditor.vue'
import PersonLeaves from './PersonLeaves.vue'
import type { PersonFact } from './people'
import { workingWords } from './working-words'
import { peopleWords, personWords } from './words'

/** Somebody of the workspace: who they are, what they may do, and what happens when they leave. */
const props = defineProps<{ person: Person | undefined; mayEdit: boolean; account: Account | undefined }>()
const emit = defineEmits<{ close: []; asked: [] }>()
const changes = useChanges()
const directory = useDirectory()
const isMe = computed(() => props.person?.id === directory.me?.id)
const manages = computed(() => directory.may('manage people'))
const { editing, endEdit } = useEditing<{ fact: PersonFact; at: HTMLElement }>()
const facts = computed((): { fact: PersonFact; name: string; text: string }[] => {
  const { person } = props
  if (!person) return []
  const hours = minutesIn(person.hours) ? `${peopleWords.inAll(hoursOf(minutesIn(person.hours)))}: ${weekSaid(person.hours)}` : '' // prettier-ignore
  return [
    { fact: 'role', name: peopleWords.role, text: person.role ?? peopleWords.noAccount },
    { fact: 'craft', name: peopleWords.craft, text: person.craft ?? '' },
    { fact: 'hours', name: peopleWords.hours, text: hours },
  ]
})
const runsAll = computed(() => props.person?.role === 'owner' || props.person?.role === 'lead')

const unseen = 'none'
const inProject = (project: Project): Role | undefined =>
  directory.reader.maybe('member', memberId(project.id, props.person?.id ?? ''))?.role
const roleChoices = [
  ...(['lead', 'contributor', 'reader'] as const).map((role) => ({ value: role as string, title: role as string })),
  { value: unseen, title: personWords.unseen },
]
function setMember(project: Project, to: string): void {
  const { person } = props
  const held = inProject(project)
  if (!person || to === (held ?? unseen)) return
  const id = memberId(project.id, person.id)
  const role = to as Role
  if (to === unseen) void changes.send({ type: 'member.remove', target: id, how: {} })
  else if (held) void changes.send({ type: 'member.set', target: id, set: { role: { from: held, to: role } } })
  else void changes.send({ type: 'people.add', people: [], members: [{ id, project: project.id, person: person.id, role }] }) // prettier-ignore
}
const set = (field: 'name' | 'email', to: string | null): void =>
  void (
    props.person &&
    to !== props.person[field] &&
    changes.send({
      type: 'person.set',
      target: props.person.id,
      set: { [field]: { from: props.person[field], to } },
    })
  )
</script>

<template>
  <aside class="panel" :aria-label="personWords.panel" @keydown.esc.prevent="emit('close')">
    <p v-if="!person" class="soft">{{ personWords.noPerson }}</p>
    <template v-else>
      <header>
        <PersonPebble :person="person" large aria-hidden="true" />
        <h2>
          <LineEditor
            :text="person.name"
            :label="editorWords.edit(peopleWords.name)"
            :may-edit="mayEdit || isMe"
            @set="$event && set('name', $event)"
          />
        </h2>
        <IconButton class="right" :icon="mdiClose" :label="frameWords.close" @click="emit('close')" />
      </header>
      <dl>
        <template v-if="manages || isMe">
          <dt>{{ peopleWords.email }}</dt>
          <dd>
            <LineEditor
              :text="person.email ?? ''"
              :label="editorWords.edit(peopleWords.email)"
              :none="personWords.noEmail"
              :may-edit="mayEdit && manages"
              type="email"
              :longest="200"
              @set="set('email', $event || null)"
            />
          </dd>
        </template>
        <template v-for="{ fact, name, text } in facts" :key="fact">
          <dt>{{ name }}</dt>
          <dd>
            <button
              type="button"
              class="value"
              :disabled="!mayEdit"
              :aria-label="`${editorWords.edit(name)}: ${text}`"
              @click="editing = { fact, at: $event.currentTarget as HTMLElement }"
            >
              {{ text }}
            </button>
          </dd>
        </template>
      </dl>
      <p class="soft about">{{ personWords.roles[person.role ?? 'none'] }}</p>
      <section v-if="person.active">
        <SectionHead :title="workingWords.away" />
        <DaysOff
          :key="`off ${person.id}`"
          :whose="person.id"
          :label="workingWords.away"
          :none="workingWords.noneOfPerson"
        />
      </section>
      <section v-if="person.active && person.role && directory.projects.length">
        <SectionHead :title="personWords.mayDo" />
        <dl>
          <template v-for="project in directory.projects" :key="project.id">
            <dt class="one-line">{{ project.name }}</dt>
            <dd>
              <span v-if="runsAll" class="plain soft">{{ personWords.everywhere(person.role) }}</span>
              <SelectOne
                v-else-if="manages"
                :choices="roleChoices"
                :chosen="inProject(project) ?? unseen"
                :label="`${personWords.mayDo}: ${project.name}`"
                @choose="setMember(project, $event)"
              />
              <span v-else class="plain" :class="{ soft: !inProject(project) }">{{
                inProject(project) ?? personWords.unseen
              }}</span>
            </dd>
          </template>
        </dl>
      </section>
      <GettingIn
        v-if="mayEdit && person.active && person.role"
        :key="`in ${person.id}`"
        :person="person"
        :account="account"
        @changed="emit('asked')"
      />
      <PersonLeaves v-if="mayEdit" :key="person.id" :person="person" :is-me="isMe" />
      <PersonEditor
        v-if="editing"
        :key="editing.fact"
        :people="[person]"
        :fact="editing.fact"
        :at="editing.at"
        @leave="endEdit()"
      />
    </template>
  </aside>
</template>

<style scoped>
.panel {
  height: 100%;
  padding: 14px 20px;
  overflow: auto;
  display: flex;
  flex-direction: column;
  gap: 12px;
}
header {
  display: flex;
  gap: 10px;
  align-items: center;
}
h2 {
  font: var(--type-title);
  min-width: 0;
  flex: 1;
}
dl {
  display: grid;
  grid-template-columns: 92px minmax(0, 1fr);
  gap: 1px 10px;
  margin: 0;
  --line: max(28px, var(--target));
  align-items: center;
}
dt {
  color: var(--soft);
  line-height: var(--line);
}
dd {
  margin: 0;
  min-width: 0;
}
.value,
.plain {
  display: block;
  min-height: var(--line);
  line-height: 1.35;
  padding: 5px 4px;
  margin: 0 -4px;
  width: calc(100% + 8px);
  text-align: left;
  border-radius: var(--round);
}
.value:not(:disabled):hover {
  background: var(--sunk);
}
.value:disabled {
  cursor: default;
}
.about {
  font: var(--type-aside);
  margin: -6px 0 0 102px;
}
</style>
