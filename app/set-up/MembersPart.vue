<script setup lang="ts">
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { VBtn } from 'vuetify/components/VBtn'
import { memberId } from '#core/access/access'
import type { Person, Project, Role } from '#core/model/records'
import { PersonPebble } from '../parts/marks'
import SelectOne from '../parts/SelectOne.vue'
import AddPeople from '../people/AddPeople.vue'
import { addPeopleWords, personWords } from '../people/words'
import { useDirectory } from '../data/directory'
import AddMembers from './AddMembers.vue'
import { memberRole, membersOf, othersOf, runsAll } from './members'
import { useSetUpChange } from './changes'
import { membersWords, setUpWords } from './words'

/** Who takes part in a project, and what each may do in it. */
const props = defineProps<{ project: Project }>()
const directory = useDirectory()
const setUp = useSetUpChange()
const manages = computed(() => directory.may('manage people'))
const roleOf = (person: Person) => memberRole(directory.reader, props.project.id, person)
const people = computed(() => membersOf(directory.reader, props.project.id))
const others = computed(() => othersOf(directory.reader, props.project.id))
const unseen = 'none'
const roles = [
  ...(['lead', 'contributor', 'reader'] as const).map((role) => ({ value: role as string, title: role as string })),
  { value: unseen, title: membersWords.unseen },
]
function set(person: Person, to: string): void {
  const held = roleOf(person)
  if (!held || to === held) return
  const target = memberId(props.project.id, person.id)
  if (to === unseen) void setUp.send({ type: 'member.remove', target, how: {} })
  else void setUp.send({ type: 'member.set', target, set: { role: { from: held, to: to as Role } } })
}
const isAdding = ref(false)
const isAddingNew = ref(false)
</script>

<template>
  <div class="part">
    <ul>
      <li v-for="person in people" :key="person.id">
        <PersonPebble :person="person" aria-hidden="true" />
        <RouterLink class="name one-line" :to="{ path: '/app/people', query: { person: person.id } }">{{
          person.name
        }}</RouterLink>
        <span v-if="runsAll(person)" class="soft">{{ membersWords.everywhere(person.role ?? '') }}</span>
        <SelectOne
          v-else-if="manages"
          :choices="roles"
          :chosen="roleOf(person)"
          :label="membersWords.role(person.name)"
          @choose="set(person, $event)"
        />
        <span v-else>{{ roleOf(person) }}</span>
        <small class="soft one-line about">{{
          runsAll(person) ? '' : personWords.inProject[roleOf(person) as keyof typeof personWords.inProject]
        }}</small>
      </li>
    </ul>
    <p v-if="people.length < 2" class="soft">{{ membersWords.none }}</p>
    <div v-if="manages" class="ends">
      <VBtn v-if="others.length" variant="outlined" @click="isAdding = true">{{ membersWords.add }}</VBtn>
      <VBtn :variant="others.length ? 'plain' : 'outlined'" @click="isAddingNew = true">{{
        addPeopleWords.title
      }}</VBtn>
    </div>
    <p v-else class="soft">{{ setUpWords.onlyLeads }}</p>
    <AddMembers v-if="isAdding" v-model="isAdding" :project="project" :people="others" />
    <AddPeople v-if="isAddingNew" v-model="isAddingNew" :into="[project.id]" />
  </div>
</template>

<style scoped>
.part {
  padding-top: 14px;
}
ul {
  list-style: none;
  margin: 0 0 16px;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 26px minmax(120px, 1fr) 150px minmax(0, 1.4fr);
  gap: 10px;
  align-items: center;
  min-height: max(40px, var(--target));
  border-bottom: 1px solid var(--rule);
}
.name {
  text-decoration: none;
  line-height: max(32px, var(--target));
}
.name:hover {
  text-decoration: underline;
}
@media (max-width: 700px) {
  li {
    grid-template-columns: 26px minmax(0, 1fr) 140px;
  }
  .about {
    display: none;
  }
}
</style>
