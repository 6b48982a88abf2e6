import { expect } from 'vitest'
import type { BareCommand } from '../commands/registry'
import { fieldsOf, kindsOf, statusesOf } from '../model/reader'
import type { Field, Item, ItemId, Person, Status } from '../model/records'
import { must } from '../base/result'
import { command, PlainRoom, smallWorkspace } from './workspace'

/** People who act in a small project; statuses are named by their places, fields by their names. */
export class Acting {
  readonly small = smallWorkspace()
  readonly room = new PlainRoom(this.small.state)

  /** `done`, or why not. */
  does(bare: BareCommand, by: Person = this.small.people.contributor): string {
    const done = this.room.do(command(this.small.ids, bare), by.id)
    return done.ok ? 'done' : done.problem.code
  }
  leadDoes(bare: BareCommand): string {
    return this.does(bare, this.small.people.lead)
  }
  status(at: number): Status {
    return must(statusesOf(this.small.state, this.small.project.id)[at], 'status')
  }
  field(name: string): Field {
    const field = fieldsOf(this.small.state, this.small.project.id).find((one) => one.name === name)
    return must(field, name)
  }
  item(id: string): Item {
    return must(this.small.state.maybe('item', id), 'item')
  }
  adding(id: ItemId, status: number, more: { values?: Item['values']; parent?: ItemId } = {}): BareCommand {
    const { project, state } = this.small
    const kind = must(kindsOf(state, project.id)[0], 'kind').id
    const item = { item: id, project: project.id, kind, title: 'Sow', parent: more.parent ?? null, status: this.status(status).id, values: more.values ?? {} } // prettier-ignore
    return { type: 'items.add', items: [item] }
  }
  add(status: number, more?: { values?: Item['values']; parent?: ItemId }): ItemId {
    const id = this.small.ids.item()
    expect(this.does(this.adding(id, status, more))).toBe('done')
    return id
  }
  moving(item: ItemId, from: number, to: number): BareCommand {
    return { type: 'items.move', items: [{ item, status: { from: this.status(from).id, to: this.status(to).id } }] }
  }
  setting(item: ItemId, set: Readonly<Record<string, { from: unknown; to: unknown }>>): BareCommand {
    return { type: 'items.set', items: [{ item, set }] } as BareCommand
  }
}
