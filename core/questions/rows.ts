/** Items as pages show them. */
import { itemKey, pathOf } from '../model/reader'
import { lateDays, turnOf } from '../model/turn'
import type { Item } from '../model/records'
import type { Ground, Row, RowWithPath } from './questions'

export function rowOf({ state, today }: Ground, item: Item): Row {
  const place = state.placeOf(item.id)
  let children = 0
  if (place) for (const child of place.table.childrenOf(place.row)) children += place.table.listed[child]!
  const key = itemKey(state, item)
  const late = lateDays(state, item, today())
  const turn = turnOf(state, item).people
  const address = item.number ? key : item.id
  const version = place && place.table.version[place.row]
  return { item, key, address, late, turn, children, v: [version, late, children, ...turn].join() }
}

export function withPath(ground: Ground, item: Item, waitsFor: readonly string[] = []): RowWithPath {
  const path = pathOf(ground.state, item).map((parent) => ({
    id: parent.id,
    title: parent.title,
    key: itemKey(ground.state, parent),
  }))
  return { ...rowOf(ground, item), path, waitsFor }
}
