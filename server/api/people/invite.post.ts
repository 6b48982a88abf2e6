import { defineEventHandler } from 'h3'
import { may, maySee } from '#core/access/access'
import { changeRefusal } from '#core/access/changing'
import { personActor } from '#core/change/actor'
import type { ProjectId } from '#core/model/records'
import { invitationBody, type InvitationsAnswer } from '#core/wire/accounts'
import { credentialsIn } from '../../db/accounts'
import { answering, jsonBody, refuse, Refusal, sameOrigin, signedIn } from '../../http/request'
import { hasAddress, type Addressed } from '../../services/letters'

/** Asks people in: with a link that sets a password, or where they have one with a message that opens the project. */
export default defineEventHandler((event) =>
  answering(event, async (house): Promise<InvitationsAnswer> => {
    sameOrigin(event)
    const { me, room } = await signedIn(event, house)
    const by = personActor(me)
    if (!may(room.state, by, 'manage people')) return refuse('not-allowed', { act: 'manage people' })
    const body = invitationBody.safeParse(await jsonBody(event, 100_000))
    if (!body.success) return refuse('unreadable', { where: String(body.error.issues[0]?.path[0] ?? 'the invitation') })
    const people = body.data.people.map((id): Addressed => {
      const person = room.state.maybe('person', id)
      if (!person?.active || !person.role) return refuse('gone')
      if (!hasAddress(person)) return refuse('no-address', { name: person.name })
      // Who sets another's password is them: an owner's is for owners.
      const refused = changeRefusal(room.state, by, 'person', person)
      if (refused) throw new Refusal(refused)
      return person
    })
    const workspace = { id: room.workspace, name: room.state.workspace().name }
    const project = projectOf(room.state.maybe('project', body.data.project ?? ''))
    if (project && !maySee(room.state, me, project.id)) return refuse('gone')
    const about = { workspace, by: room.state.maybe('person', me)?.name ?? '', message: body.data.message, project }
    const known = await credentialsIn(house.database.db, room.workspace)
    const links = []
    for (const person of people) {
      const isKnown = known.has(person.id)
      const isSent = isKnown && (await house.letters.tell(person, about))
      links.push(
        isKnown
          ? { person: person.id, address: null, isSent }
          : { person: person.id, ...(await house.letters.invite(person, about)) },
      )
    }
    return { links }
  }),
)

function projectOf(project: { id: ProjectId; name: string; prefix: string } | undefined) {
  return project && { id: project.id, name: project.name, path: `/app/${project.prefix}` }
}
