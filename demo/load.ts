import { dateIn, dayNumber, fromDayNumber, type PlainDate } from '#core/base/dates'
import { addWorkingDays } from '#core/base/working-time'
import type { CommandId, DayOffId, ItemId, PersonId } from '#core/base/ids'
import { rankAfter, rankOfPlace } from '#core/base/ranks'
import { must } from '#core/base/result'
import { evenWeek } from '#core/base/week'
import { memberId } from '#core/access/access'
import { together } from '#core/commands/bare'
import { commandOf, type BareCommand } from '#core/commands/registry'
import type { FieldTypeName, OptionColour, Value } from '#core/fields/contract'
import { boardsOf, columnsOf, fieldsOf, kindsOf, limitSetOf, plainLimit, statusesOf } from '#core/model/reader'
import type { Field, FieldId, Person, Project, ProjectId, StatusId } from '#core/model/records'
import { kindOfPattern, optionsOf, starterPattern } from '#core/projects/starter-pattern'
import type { OpenDatabase } from '../server/db/open'
import { Room } from '../server/rooms/room'
import type { Clock } from '../server/clock'
import { foundWorkspace } from '../server/services/founding'
import { Chance } from './chance'
import * as scenario from './scenario'

const timeZone = 'Europe/Berlin'
const days = 14

/**
 * Loads the demo into an empty database: founds the workspace and then runs commands under a clock that walks over the
 * last two weeks. The same moment gives the same demo.
 */
export async function loadDemo(database: OpenDatabase, clock: Clock): Promise<void> {
  const chance = new Chance(20)
  const end = Date.parse(clock.now())
  // Work begins at seven in the morning, two weeks ago.
  const start = Math.floor(end / 86_400_000 - days) * 86_400_000 + 7 * 3_600_000
  let moment = start
  const newId = chance.ids(() => moment)
  const ownerId = newId() as PersonId
  const founding = { name: 'Botanic garden', timeZone, demo: true, workspaceId: newId() }
  const owner = {
    id: ownerId,
    name: scenario.owner.name,
    email: emailOf(scenario.owner.name),
    colour: scenario.owner.colour,
  }
  const { workspaceId } = await foundWorkspace(database.db, { ...founding, owner })
  const room = await Room.open(database, workspaceId, clock)
  const walk = new Walk(room, chance, newId, (at) => (moment = at), start, end)
  await new Story(walk, chance, newId, ownerId, dateIn(timeZone, clock.now())).tell()
}

const emailOf = (name: string): string =>
  `${name
    .split(' ')[0]
    ?.normalize('NFD')
    .replace(/[^a-z]/gi, '')
    .replace(/^ucja$/, 'lucja')
    .toLowerCase()}@garden.example`

/** Commands planned at moments, done in the order of these. */
class Walk {
  readonly #planned: { at: number; by: PersonId; make: () => BareCommand }[] = []
  readonly #asked: { type: string; answer: ReturnType<Room['submit']> }[] = []
  constructor(
    readonly room: Room,
    readonly chance: Chance,
    readonly newId: () => string,
    readonly setMoment: (at: number) => void,
    readonly start: number,
    readonly end: number,
  ) {}

  /** A moment at work, `day` days after the start; never past the end. */
  at(day: number): number {
    const whole = Math.floor(day)
    const at = this.start + whole * 86_400_000 + (day - whole) * 8 * 3_600_000
    return Math.min(at, this.end - 60_000 * (1 + this.chance.below(50)))
  }

  /** `make` may not read what other planned commands change. */
  plan(at: number, by: PersonId, make: () => BareCommand): void {
    this.#planned.push({ at, by, make })
  }

  /** Asks for a command; the room does them in this order, many in one transaction. */
  do(at: number, by: PersonId, bare: BareCommand): void {
    this.setMoment(at)
    const command = commandOf(this.newId() as CommandId, bare)
    this.#asked.push({ type: command.type, answer: this.room.submit(command, by, { at: new Date(at).toISOString() }) })
  }

  /** Resolves when everything that was asked for is done. */
  async done(): Promise<void> {
    for (const [i, answer] of (await Promise.all(this.#asked.map((one) => one.answer))).entries())
      if ('problem' in answer) throw new Error(`demo: ${this.#asked[i]?.type}: ${JSON.stringify(answer.problem)}`)
    this.#asked.length = 0
  }

  async run(): Promise<void> {
    for (const { at, by, make } of this.#planned.sort((a, b) => a.at - b.at)) this.do(at, by, make())
    await this.done()
  }
}

interface Made {
  readonly item: ItemId
  readonly project: ProjectId
  readonly people: readonly PersonId[]
  readonly day: number
}

/** What happens in the demo. */
class Story {
  readonly #people = new Map<string, Person>()
  readonly #leaves: Made[] = []
  readonly #parents: Made[] = []
  readonly #standsIn = new Map<ItemId, StatusId>()

  constructor(
    readonly walk: Walk,
    readonly chance: Chance,
    readonly newId: () => string,
    readonly owner: PersonId,
    readonly today: PlainDate,
  ) {}

  async tell(): Promise<void> {
    const [garden, visitors, seeds] = [
      await this.#project('Glasshouse', 'GLH', 'leaf', 1),
      await this.#project('Visitors ask', 'VIS', 'pool', 2),
      await this.#project('Seed bank', 'SED', 'wren', 3),
    ]
    await this.#addPeople([garden, visitors, seeds])
    this.#plantGarden(garden)
    this.#list(visitors, 'request', scenario.requests, ['Jónas Whitlow', 'Imke Sorrel'])
    this.#list(seeds, 'task', scenario.seeds, ['Mirela Quince', 'Imke Sorrel'])
    await this.walk.done()
    this.#planMoves(garden, { 'In hand': 8, 'Being checked': 3, Ready: 32, Noted: 58, 'Set aside': 9 })
    this.#planMoves(visitors, { 'In hand': 4, 'Being checked': 1, Ready: 6, Noted: 4, 'Set aside': 1 })
    this.#planMoves(seeds, { 'In hand': 2, 'Being checked': 1, Ready: 3, Noted: 3, 'Set aside': 0 })
    await this.walk.run()
    this.walk.do(this.walk.end - 60_000, this.owner, together(this.#daysOff()))
    await this.walk.done()
  }

  async #project(name: string, prefix: string, colour: Project['colour'], at: number): Promise<ProjectId> {
    const body = starterPattern({ name, prefix, colour, rank: rankOfPlace(at), maker: this.owner }, this.newId)
    const { project, workflows } = body
    const field = (label: string, type: FieldTypeName): Field => {
      const one: Field = {
        id: this.newId() as FieldId, project: project.id, name: label, help: '', type, settings: {}, archived: false,
        rank: rankAfter(body.fields),
      } // prettier-ignore
      body.fields.push(one)
      return one
    }
    const choice = (label: string, type: FieldTypeName, options: readonly string[], colours: readonly OptionColour[]) =>
      body.options.push(
        ...optionsOf(
          field(label, type).id,
          options.map((option, i) => [option, colours[i % colours.length] ?? 'slate'] as const),
          this.newId,
        ),
      )
    if (prefix === 'GLH') {
      choice('bay', 'oneOption', scenario.bays, ['moss', 'bark', 'pond', 'rain', 'flax', 'lilac'])
      choice('tags', 'severalOptions', scenario.tags, ['rain', 'blossom', 'moss', 'slate', 'iris', 'flax'])
      field('signed off', 'checkbox')
    }
    field('notes', 'longText')
    const workflow = must(workflows[0], 'workflow').id
    for (const { name, icon } of scenario.kinds)
      body.kinds.push(
        kindOfPattern({ name, icon, project: project.id, workflow, rank: rankAfter(body.kinds) }, this.newId),
      )
    for (const view of body.views) {
      if (view.definition.layout === 'board')
        Object.assign(view, { name: prefix === 'GLH' ? 'The works' : prefix === 'VIS' ? 'Requests' : 'Packets' })
      else if (prefix === 'GLH')
        Object.assign(view.definition, {
          show: [...view.definition.show, ...body.fields.slice(6, 8).map((one) => one.id)],
        })
    }
    this.walk.do(this.walk.at(0), this.owner, { type: 'projects.create', ...body })
    await this.walk.done()
    return project.id
  }

  async #addPeople(projects: readonly ProjectId[]): Promise<void> {
    this.#people.set(scenario.owner.name, must(this.walk.room.state.maybe('person', this.owner), 'owner'))
    const people = scenario.team.map(({ name, role, colour, hours, craft }) => {
      const person: Person = {
        id: this.newId() as PersonId,
        name,
        email: emailOf(name),
        role,
        colour,
        hours: evenWeek(hours * 60, [1, 2, 3, 4, 5]),
        craft,
        active: true,
      }
      this.#people.set(name, person)
      return person
    })
    const memberships = people.filter((person) => person.role !== 'lead').flatMap((person) =>
      projects.filter((_, i) => i === 0 || this.#isIn(person.name, i)).map((project) => ({ id: memberId(project, person.id), project, person: person.id, role: must(person.role, 'role') }))) // prettier-ignore
    this.walk.do(this.walk.at(0), this.owner, { type: 'people.add', people, members: memberships })
    await this.walk.done()
  }

  /** The holidays of the year to come, and who is away in the coming weeks. */
  #daysOff(): BareCommand[] {
    const year = Number(this.today.slice(0, 4))
    const add = (person: PersonId | null, from: PlainDate, to: PlainDate, name: string): BareCommand => ({
      type: 'dayOff.add', record: { id: this.newId() as DayOffId, person, from, to, name },
    }) // prettier-ignore
    const inDays = (n: number) => fromDayNumber(dayNumber(this.today) + n)
    return [
      ...[year, year + 1].flatMap((one) => scenario.holidays.map(({ from, to, name }) => add(null, `${one}-${from}`, `${one}-${to}`, name))), // prettier-ignore
      ...scenario.away.map(({ who, from, days, name }) =>
        add(this.#id(who), inDays(from), inDays(from + days - 1), name),
      ),
    ]
  }

  /** Everyone works on the glasshouse; the other two projects have fewer people. */
  #isIn(name: string, project: number): boolean {
    return project === 1
      ? ['Jónas Whitlow', 'Noor Castellane', 'Yuki Pemberton', 'Hamid Torvald'].includes(name)
      : ['Mirela Quince', 'Adaeze Marlow'].includes(name)
  }

  #id(name: string): PersonId {
    return must(this.#people.get(name), name).id
  }
  #ofCraft(craft: scenario.Craft): PersonId {
    return this.#id(
      this.chance.pick(
        [scenario.owner, ...scenario.team].filter(
          (demoPerson) => demoPerson.craft === craft && demoPerson.role !== 'reader',
        ),
      ).name,
    )
  }
  #field(project: ProjectId, name: string): Field {
    return must(
      fieldsOf(this.walk.room.state, project).find((field) => field.name === name),
      name,
    )
  }
  #option(project: ProjectId, field: string, label: string): string {
    return must(
      this.walk.room.state.optionsOf(this.#field(project, field).id).find((option) => option.label === label),
      label,
    ).id
  }

  #plantGarden(project: ProjectId): void {
    let day = 0.02
    const soon = () => (day += 0.0035)
    for (const [b, bay] of scenario.bays.entries()) {
      const top = this.#add(project, 'deliverable', `${bay}, ready to reopen`, null, soon(), [this.owner], {
        bay: this.#option(project, 'bay', bay),
      })
      for (const part of scenario.packages) {
        const lead = this.#ofCraft(part.craft)
        const middle = this.#add(
          project,
          'deliverable',
          part.title.replace('@', bay.toLowerCase()),
          top,
          soon(),
          [lead],
          { bay: this.#option(project, 'bay', bay) },
        )
        // Every bay another stretch of the list, so that few titles stand twice.
        const jobs = [...part.jobs, ...part.jobs].slice((b * 5) % part.jobs.length).slice(0, 6 + (b % 2))
        for (const job of jobs) {
          const made = this.#job(project, job, middle, soon(), part, bay)
          for (const step of job.steps)
            this.#job(
              project,
              { title: step, kind: 'task', hours: 1 + this.chance.below(3), steps: [] },
              made,
              soon(),
              part,
              bay,
            )
        }
      }
    }
  }

  #job(
    project: ProjectId,
    job: scenario.Job,
    parent: ItemId,
    day: number,
    part: scenario.Package,
    bay: string,
  ): ItemId {
    const who =
      this.chance.next() < 0.08
        ? []
        : [this.#ofCraft(job.craft ?? part.craft), ...(this.chance.next() < 0.12 ? [this.#ofCraft(part.checker)] : [])]
    const reviewer = this.chance.pick([this.#ofCraft(part.checker), this.owner, this.#ofCraft('plants')])
    return this.#add(project, job.kind, job.title, parent, day, who, {
      bay: this.#option(project, 'bay', bay),
      reviewer: [reviewer],
      effort: job.hours * 100,
      need: this.#option(project, 'need', this.chance.pick(['must', 'should', 'should', 'could', 'not now'])),
      ...(this.chance.next() < 0.5 && { tags: [this.#option(project, 'tags', this.chance.pick(scenario.tags))] }),
    })
  }

  #list(project: ProjectId, kind: string, titles: readonly string[], who: readonly string[]): void {
    let day = 0.8
    for (const title of titles)
      this.#add(
        project,
        kind,
        title,
        null,
        (day += 0.02),
        this.chance.next() < 0.15 ? [] : [this.#id(this.chance.pick(who))],
        {
          reviewer: [this.#id(must(who[1], 'reviewer'))],
          need: this.#option(project, 'need', this.chance.pick(['must', 'should', 'could'])),
        },
      )
  }

  #add(
    project: ProjectId,
    kind: string,
    title: string,
    parent: ItemId | null,
    day: number,
    who: readonly PersonId[],
    values: Record<string, Value>,
  ): ItemId {
    const { state } = this.walk.room
    const item = this.newId() as ItemId
    const byName = Object.entries({ ...values, ...(who.length && { assignees: [...new Set(who)].sort() }) })
    const entry = {
      item, project, title, parent,
      kind: must(kindsOf(state, project).find((one) => one.name === kind), kind).id,
      status: must(statusesOf(state, project)[0], 'status').id,
      values: Object.fromEntries(byName.map(([name, value]) => [this.#field(project, name).id, value])),
    } // prettier-ignore
    this.walk.do(this.walk.at(day), this.owner, { type: 'items.add', items: [entry] })
    ;(kind === 'deliverable' ? this.#parents : this.#leaves).push({ item, project, people: who, day })
    return item
  }

  /** Every leaf ends in a status by the counts given, all others accepted; each walks there over the days. */
  #planMoves(project: ProjectId, counts: Readonly<Record<string, number>>): void {
    const leaves = this.#leaves.filter((made) => made.project === project)
    const order = ['Noted', 'Ready', 'In hand', 'Being checked', 'Accepted']
    const shuffled = leaves.map((leaf) => ({ leaf, at: this.chance.next() })).sort((a, b) => a.at - b.at)
    const ends: string[] = Object.entries(counts).flatMap(([name, n]) => new Array<string>(n).fill(name))
    shuffled.forEach(({ leaf }, i) => {
      const end = ends[i] ?? 'Accepted'
      const steps = end === 'Set aside' ? ['Set aside'] : order.slice(1, order.indexOf(end) + 1)
      this.#planSteps(leaf, steps, end)
      this.#planDue(leaf, end, i)
    })
    if (counts['In hand'] === 8) {
      const { state } = this.walk.room
      const board = must(boardsOf(state, project)[0], 'board').id
      const column = must(columnsOf(state, board).find((one) => one.name === 'Being checked'), 'column').id // prettier-ignore
      this.walk.plan(this.walk.at(2), this.owner, () => ({
        type: 'limit.set',
        column,
        from: limitSetOf(state, column),
        to: plainLimit(4),
      }))
    }
    for (const parent of this.#parents.filter((made) => made.project === project)) {
      this.#planSteps(parent, ['Ready'], 'Ready')
      // A place in the count at which it is neither late nor without a day.
      this.#planDue(parent, 'Ready', 2)
    }
  }

  #planSteps(made: Made, steps: readonly string[], end: string): void {
    const isOpen = end === 'In hand' || end === 'Being checked'
    let day = isOpen ? 6 + this.chance.next() * 4 : 1 + this.chance.next() * 5
    for (const step of steps) {
      day += 0.15 + this.chance.next() * (isOpen ? 0.9 : 1.9)
      const by = made.people.length && step !== 'Accepted' ? this.chance.pick(made.people) : this.owner
      this.walk.plan(this.walk.at(day), by, () => {
        const statuses = statusesOf(this.walk.room.state, made.project)
        const to = must(statuses.find((status) => status.name === step), step).id // prettier-ignore
        const from = this.#standsIn.get(made.item) ?? must(statuses[0], 'status').id
        this.#standsIn.set(made.item, to)
        return { type: 'items.move', items: [{ item: made.item, status: { from, to } }] }
      })
    }
  }

  /** Thirty open ones stay without a day; some are late; most lie in the coming weeks. */
  #planDue(made: Made, end: string, i: number): void {
    const isOver = end === 'Accepted' || end === 'Set aside'
    if (!isOver && i % 4 === 1) return
    const time = this.walk.room.state.workingTime()
    const isLate = !isOver && (end === 'In hand' || end === 'Being checked' ? i % 3 === 0 : i % 11 === 0)
    const ahead = isOver
      ? -1 - this.chance.below(9)
      : isLate
        ? -1 - this.chance.below(4)
        : this.chance.below(end === 'In hand' ? 6 : 22)
    const to = addWorkingDays(this.today, ahead || 1, time)
    const due = this.#field(made.project, 'due').id
    this.walk.plan(this.walk.at(0.9 + this.chance.next()), this.owner, () => ({
      type: 'items.set',
      items: [{ item: made.item, set: { [due]: { from: null, to } } }],
    }))
  }
}
