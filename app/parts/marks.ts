/**
 * The small signs: leaf, kind, pebbles, values. Each is a function that gives what the sign consists of, which a cell of
 * the table takes as its own content without a component or an element more, and a component for everywhere else.
 * Their look is in theme/marks.css.
 */
import { createTextVNode, h, type FunctionalComponent, type VNode } from 'vue'
import {
  mdiAlertOutline,
  mdiCommentQuestionOutline,
  mdiHammerWrench,
  mdiMagnify,
  mdiSprout,
  mdiTextBoxOutline,
} from '@mdi/js'
import type { PlainDate } from '#core/base/dates'
import { healths, type Health } from '#core/fields/health'
import type { RatingSign } from '#core/fields/names'
import { usualMost } from '#core/fields/rating'
import { fieldContext } from '#core/model/reader'
import type { Field, KindIcon } from '#core/model/records'
import { useDirectory } from '../data/directory'
import { valueWords } from './words'
import { dayWords } from '../dates'

export type Directory = ReturnType<typeof useDirectory>

/** A sign: what is in the element that carries its class. */
export interface Mark {
  readonly content: string | VNode[]
  readonly class?: string | undefined
  readonly title?: string | undefined
  /** About how many letters wide it is. */
  readonly width: number
}
export const drawn = (mark: Mark | undefined): VNode | undefined =>
  mark && h('span', { class: mark.class, title: mark.title }, mark.content)

const leafPath = 'M8 1.1C3.3 3.9 2.3 9 8 13.6 13.7 9 12.7 3.9 8 1.1Z'
/** The parts of a leaf that are the same wherever it is drawn. */
const stalk = `${leafPath}M8 13.4V16`
const veins = 'M8 12.6V5.4M8 9.6 10 7.6M8 8 6.2 6.2'

/** Where a status stands: 0 waiting, between 0 and 1 active, 1 finished, below 0 dropped. */
export function leafMark(share: number, colour: string = 'leaf', title?: string): VNode {
  const parts =
    share < 0
      ? [
          h('path', { d: leafPath, class: 'fallen' }),
          h('path', { d: 'M1 14.6h14', stroke: 'currentColor', 'stroke-width': 1.2 }),
        ]
      : [
          share > 0
            ? h('path', { d: leafPath, class: 'fill', style: { clipPath: `inset(${100 - share * 100}% 0 0)` } })
            : undefined,
          h('path', { d: stalk, class: 'edge' }),
          share === 1 ? h('path', { d: veins, class: 'veins' }) : undefined,
        ]
  return h(
    'svg',
    {
      class: share > 0 ? 'leaf' : 'leaf plain',
      style: share > 0 ? { color: `var(--${colour})` } : undefined,
      viewBox: '0 0 16 16',
      role: title ? 'img' : undefined,
      'aria-label': title,
      'aria-hidden': title ? undefined : true,
    },
    parts,
  )
}
export const LeafMark: FunctionalComponent<{
  share: number
  colour?: string | undefined
  title?: string | undefined
}> = ({ share, colour, title }) => leafMark(share, colour, title)
LeafMark.props = ['share', 'colour', 'title']

/** A status by its leaf and name. */
export function statusMark(directory: Directory, id: string): Mark | undefined {
  const status = directory.reader.maybe('status', id)
  if (!status) return undefined
  const content = [leafMark(directory.share(status), status.colour), createTextVNode(status.name)]
  return { class: 'status-mark', content, width: status.name.length + 3 }
}
export const StatusText: FunctionalComponent<{ status: string }> = ({ status }) =>
  drawn(statusMark(useDirectory(), status))
StatusText.props = ['status']

const kindPaths: Readonly<Record<KindIcon, string>> = {
  task: mdiHammerWrench, defect: mdiAlertOutline, inspection: mdiMagnify, deliverable: mdiSprout,
  request: mdiCommentQuestionOutline, plain: mdiTextBoxOutline,
} // prettier-ignore

/** What sort of item it is: its icon and its name in small capitals. */
export function kindMark({ name, icon }: { readonly name: string; readonly icon: KindIcon }): Mark {
  const sign = h('svg', { viewBox: '0 0 24 24', 'aria-hidden': true }, [h('path', { d: kindPaths[icon] })])
  return { class: 'kind-mark', content: [sign, createTextVNode(name)], width: name.length + 3 }
}
export const KindMark: FunctionalComponent<{ name: string; icon: KindIcon }> = (kind) => drawn(kindMark(kind))
KindMark.props = ['name', 'icon']

interface Shown {
  readonly id: string
  readonly name: string
  readonly colour: string
}
/** A person's first and last initial. */
export function initialsOf(name: string): string {
  const parts = name.split(/\s+/).filter(Boolean)
  return [parts[0], parts.length > 1 ? parts.at(-1) : undefined]
    .map((one) => [...(one ?? '')][0] ?? '')
    .join('')
    .toUpperCase()
}
const pebbleShapes = ['a', 'b', 'c'] as const
const shapeOf = (id: string) => pebbleShapes[[...id].reduce((sum, one) => sum + one.charCodeAt(0), 0) % 3]

/** A person: initials in a soft, irregular pebble of the person's colour. */
export function pebble({ id, name, colour }: Shown, large = false): VNode {
  return h(
    'span',
    {
      class: ['pebble', shapeOf(id), { large }],
      style: { '--c': `var(--${colour})`, '--on': `var(--on-${colour}, var(--on-colour))` },
      role: 'img',
      'aria-label': name,
      title: name,
    },
    initialsOf(name),
  )
}
export const PersonPebble: FunctionalComponent<{ person: Shown; large?: boolean }> = ({ person, large }) =>
  pebble(person, large)
PersonPebble.props = { person: Object, large: Boolean }

/** Items by their keys, one by its title too; the third and further ones as a number. */
export function linkedMark(directory: Directory, ids: readonly string[]): Mark {
  const items = ids.flatMap((id) => directory.reader.names.item(id) ?? []).sort(byKey)
  const shown = items.length > 2 ? [...items.slice(0, 2).map(({ key }) => key), `+${items.length - 2}`] : items.map(({ key }) => key) // prettier-ignore
  const [only] = items
  const content = [h('span', { class: 'num soft' }, shown.join(' '))]
  if (only && items.length === 1) content.push(h('span', { class: 'one-line' }, only.title))
  const title = items.map(({ key, title }) => `${key} ${title}`).join('\n')
  return { class: 'linked-mark', content, title, width: 9 * shown.length }
}
/** GLH-4 before GLH-12. */
export const byKey = (a: { readonly key: string }, b: { readonly key: string }): number =>
  a.key.length - b.key.length || (a.key < b.key ? -1 : 1)

/** People beside each other; the fifth and further ones as a number. */
export function pebbles(directory: Directory, ids: readonly string[]): Mark {
  const people = ids.flatMap((id) => directory.reader.maybe('person', id) ?? [])
  const content = people.slice(0, 4).map((person) => pebble(person))
  if (people.length > 4) content.push(h('span', { class: 'soft' }, `+${people.length - 4}`))
  return { class: 'pebbles', content, width: 3 * content.length }
}
export const PersonPebbles: FunctionalComponent<{ people: readonly string[] }> = ({ people }) =>
  drawn(pebbles(useDirectory(), people))
PersonPebbles.props = ['people']

/** How something fares, by colour and by shape: a disc, a triangle, a lozenge. */
const healthLooks: Readonly<Record<Health, readonly [path: string, colour: string]>> = {
  well: ['M8 2.5a5.5 5.5 0 1 0 0 11 5.5 5.5 0 0 0 0-11Z', 'leaf'],
  watch: ['M8 2 14.5 13.5h-13Z', 'ochre'],
  trouble: ['M8 1 15 8 8 15 1 8Z', 'rust'],
}
export const HealthMark: FunctionalComponent<{ health: string }> = ({ health }) => {
  const [path, colour] = healthLooks[health as Health]
  return h('svg', { class: 'health', viewBox: '0 0 16 16', style: { color: `var(--${colour})` }, 'aria-hidden': true }, [h('path', { d: path })]) // prettier-ignore
}
HealthMark.props = ['health']
/** How something fares, with its word. */
export function healthMark(id: Health): Mark {
  const name = healths.find((one) => one.id === id)?.name ?? ''
  return {
    class: 'status-mark',
    content: [h(HealthMark, { health: id }), createTextVNode(name)],
    width: name.length + 3,
  }
}

const ratingPaths: Readonly<Record<RatingSign, string>> = {
  leaf: leafPath,
  sun: 'M8 4.6a3.4 3.4 0 1 0 0 6.8 3.4 3.4 0 0 0 0-6.8ZM7.3.5h1.4v2.6H7.3ZM7.3 12.9h1.4v2.6H7.3ZM.5 7.3h2.6v1.4H.5ZM12.9 7.3h2.6v1.4h-2.6ZM2.2 3.2l1-1L5 4 4 5ZM11 12l1-1 1.8 1.8-1 1ZM11 4l1.8-1.8 1 1L12 5ZM2.2 12.8 4 11l1 1-1.8 1.8Z',
  drop: 'M8 1.2C5 5.6 3.2 7.9 3.2 10.3a4.8 4.8 0 0 0 9.6 0C12.8 7.9 11 5.6 8 1.2Z',
  flame:
    'M8.4 1c.5 2.6-3.9 4.4-3.9 8.6A4.3 4.3 0 0 0 8 14.6a4.6 4.6 0 0 0 3.9-4.6c0-1.9-.9-3-1.4-4.1-.3 1-.8 1.6-1.4 2C9.5 5.5 9.7 2.8 8.4 1Z',
  heart: 'M8 14 2.3 8.2a3.4 3.4 0 0 1 5.7-3.5 3.4 3.4 0 0 1 5.7 3.5Z',
}
/** A rating: as many signs as there can be, those that are given in full. */
export function ratingMark(value: number, { settings }: Field): Mark {
  const scale = settings.scale ?? usualMost
  const path = ratingPaths[settings.sign ?? 'leaf']
  const content = Array.from({ length: scale }, (_, i) =>
    h('svg', { class: i < value ? 'given' : undefined, viewBox: '0 0 16 16', 'aria-hidden': true }, [
      h('path', { d: path }),
    ]),
  )
  content.push(h('span', { class: 'unseen' }, valueWords.of(value, scale)))
  return { class: 'rating', content, width: scale * 2.4, title: valueWords.of(value, scale) }
}

/** An address that leads out. */
export const linkMark = (text: string, href: string): Mark => ({
  content: [h('a', { class: 'out one-line', href, target: '_blank', rel: 'noopener noreferrer', tabindex: -1 }, text)],
  width: text.length,
})

export const textMark = (text: string): Mark => ({ content: text, width: text.length })

/** A due day: `today`, `27 Nov`, or how late it is in working days; the exact day on hover. */
export function dueMark({ today, language }: Directory, due: PlainDate, late: number): Mark {
  const text = late ? valueWords.late(late) : due === today ? valueWords.today : dayWords(due, language, today)
  return { ...textMark(text), class: late ? 'late' : undefined, title: dayWords(due, language) }
}
export const DueText: FunctionalComponent<{ due: string | undefined; late: number }> = ({ due, late }) =>
  due ? drawn(dueMark(useDirectory(), due, late)) : undefined
DueText.props = ['due', 'late']

/** Options of a field beside each other, in the field's order. */
export function optionMarks(directory: Directory, field: Field, ids: readonly string[]): Mark {
  const held = fieldContext(directory.reader, field).options.filter(({ id }) => ids.includes(id))
  const content = held.map(({ label, colour }) =>
    h('span', { class: 'opt', style: { '--t': `var(--${colour}-tint)`, '--x': `var(--${colour}-text)` } }, label),
  )
  return { class: 'options-mark', content, width: held.reduce((sum, { label }) => sum + label.length + 2, 0) }
}
