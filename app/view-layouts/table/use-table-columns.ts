import { computed, shallowRef, watch, type Ref } from 'vue'
import { useDisplay } from 'vuetify'
import { totalWords } from '#core/language/phrases'
import type { OutlineRow } from '#core/layouts/rows'
import type { BuiltIn } from '#core/model/called'
import type { FieldId, Total, ViewDefinition } from '#core/model/records'
import { useDirectory } from '../../data/directory'
import { useViews } from '../../data/views'
import { useWording } from '../../data/wording'
import { headOf } from '../../parts/called'
import { valueText } from '../../parts/group-names'
import type { LayoutProps } from '../contract'
import { columnsOf, frozenIn, gridTemplate, leastWidth, outlineColumns } from './columns'

/** The columns of a table or an outline, how wide they are, and which of them stay in sight. `width`: of what is seen of it. */
export function useTableColumns(props: LayoutProps, width: Ref<number>) {
  const directory = useDirectory()
  const views = useViews()
  const { mobile } = useDisplay()
  const wording = useWording(() => props.project.id)
  const isOutline = computed(() => props.definition.layout === 'outline')

  /** The column whose width is being dragged. */
  const dragged = shallowRef<Readonly<Record<string, number>>>({})
  async function keepWidth(column: string, to: number | null): Promise<void> {
    const isNew = (views.widthsOf(props.view)[column] ?? null) !== to
    if (!(await views.setWidth(props.view, column, to)) || !isNew) dragged.value = {}
  }
  // Until what was kept has come back, so that nothing jumps.
  watch(
    () => JSON.stringify(views.widthsOf(props.view)),
    () => (dragged.value = {}),
  )
  /** On a phone a key has room for the button of its row. */
  const widths = computed(() => {
    const own = views.widthsOf(props.view)
    return mobile.value ? { ...own, key: Math.max(120, own.key ?? 0) } : own
  })
  const plain = computed(() => {
    const fields = props.definition.show
      .flatMap((id) => directory.reader.maybe('field', id) ?? [])
      .filter((field) => !field.archived)
    const all = { ...widths.value, ...dragged.value }
    const head = (of: BuiltIn) => headOf(directory, props.project.id, of)
    const said = (total: Total) => (wording.value ? totalWords(total, wording.value) : '')
    return isOutline.value
      ? outlineColumns(fields, props.definition.totals, all, said, head)
      : columnsOf(fields, all, head)
  })
  const frozen = computed(() => ('frozen' in props.definition ? (props.definition.frozen ?? 0) : 0))
  const columns = computed(() => (mobile.value ? plain.value : frozenIn(plain.value, frozen.value, width.value)))
  const template = computed(() => gridTemplate(columns.value))
  const minWidth = computed(() => `${leastWidth(columns.value)}px`)
  function totalSaid({ totals }: OutlineRow, at: number): string {
    const total = props.definition.totals[at]
    return total && wording.value ? valueText(total, totals?.[at] ?? null, wording.value) : ''
  }
  /** A field's column comes before another, or to the end. */
  function order(field: string, before: string | null): void {
    const others = props.definition.show.filter((id) => id !== field)
    const at = before ? others.findIndex((id) => id === before) : others.length
    const show = others.toSpliced(at < 0 ? others.length : at, 0, field as FieldId)
    views.change(props.view, { ...props.definition, show } as ViewDefinition)
  }
  return { columns, template, minWidth, dragged, keepWidth, totalSaid, order, wording, isOutline }
}
