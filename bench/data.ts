import { v7 } from 'uuid'
import { starterPattern } from '#core/projects/starter-pattern'
import type { BringInBody } from '#core/bring-in/command'
import { mostRecords } from '#core/bring-in/limits'
import type { Value } from '#core/fields/value'
import type { Field, FieldId, ItemId, ProjectId } from '#core/model/records'
import type { Client } from '../tests/kit/client'

const verbs = ['Reseat', 'Prime', 'Rewire', 'Label', 'Repot', 'Survey', 'Lag', 'Flush', 'Oil', 'Sow']
const things = [
  'ridge glazing',
  'door furniture',
  'mist lines',
  'tree ferns',
  'vent winders',
  'rain goods',
  'stone kerbs',
  'soil beds',
]

/** Founds a project of `n` items, four in five of them inside another. Returns where its table and board are. */
export async function foundProject(
  client: Client,
  prefix: string,
  n: number,
  /** Which of the project's statuses an item is in. */
  statusOf = (i: number): number => (i * 7) % 6,
  /** How many fields it has besides those that every project begins with; two in three items hold something in each. */
  more = 0,
): Promise<{ project: string; table: string; board: string; statuses: readonly string[] }> {
  const { me, records } = await client.directory()
  const body = starterPattern({ name: `Bench ${n}`, prefix, colour: 'moss', rank: 'b99', maker: me }, v7)
  const spare = spareFields(body.project.id, more)
  await expectDone(client.command('projects.create', { ...body, fields: [...body.fields, ...spare] }))
  const people = records.person.map((person) => person.id)
  const { uses } = body.project
  const options = body.options.filter((option) => option.field === uses.need)
  const ids = Array.from({ length: n }, () => v7() as ItemId)
  const items = ids.map((item, i) => ({
    item, project: body.project.id, kind: body.kinds[0]!.id, status: body.statuses[statusOf(i)]!.id, title: `${verbs[i % 10]} ${things[(i * 3) % 8]} ${i}`,
    parent: i % 5 && i > 20 ? ids[Math.floor(i / 5)]! : null,
    values: {
      [uses.assignees!]: [people[i % people.length]!], [uses.reviewer!]: [people[(i * 5) % people.length]!], [uses.effort!]: (i % 40) * 25,
      [uses.due!]: new Date(Date.UTC(2026, 9, 1) + (i % 200) * 86_400_000).toISOString().slice(0, 10), [uses.need!]: options[i % 4]!.id,
      ...spareValues(spare, i),
    },
  })) // prettier-ignore
  // A command may be so many bytes.
  const atOnce = more ? mostRecords / 5 : mostRecords
  for (let from = 0; from < n; from += atOnce) {
    const bring: BringInBody = {
      project: body.project.id,
      people: [],
      kinds: [],
      fields: [],
      options: [],
      items: items.slice(from, from + atOnce),
      texts: [],
    }
    await expectDone(client.command('bring-in', bring))
  }
  return {
    statuses: body.statuses.map(({ id }) => id),
    project: body.project.id,
    board: body.views[0]!.id,
    table: body.views[1]!.id,
  }
}

const spareTypes = ['number', 'date', 'shortText', 'checkbox', 'rating', 'money'] as const
function spareFields(project: ProjectId, n: number): Field[] {
  return Array.from({ length: n }, (_, i) => ({
    id: v7() as FieldId, project, name: `spare ${i}`, help: '', type: spareTypes[i % spareTypes.length]!, settings: {}, rank: `b5${String(i).padStart(2, '0')}1`, archived: false,
  })) // prettier-ignore
}
const spareValueOf: Readonly<Record<(typeof spareTypes)[number], (i: number) => Value>> = {
  number: (i) => i % 997,
  date: (i) => new Date(Date.UTC(2026, 0, 1) + (i % 700) * 86_400_000).toISOString().slice(0, 10),
  shortText: (i) => `${verbs[i % 10]} ${i % 512}`,
  checkbox: () => true,
  rating: (i) => 1 + (i % 5),
  money: (i) => (i % 4001) * 25,
}
const spareValues = (spare: readonly Field[], i: number): Record<string, Value> =>
  Object.fromEntries(
    spare.flatMap(({ id, type }, k) =>
      (i + k) % 3 ? [[id, spareValueOf[type as keyof typeof spareValueOf](i + k)]] : [],
    ),
  )

async function expectDone(answer: Promise<{ problem?: { code: string } }>): Promise<void> {
  const { problem } = await answer
  if (problem) throw new Error(JSON.stringify(problem))
}
