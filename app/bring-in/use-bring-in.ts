import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { proxy, wrap, type Remote } from 'comlink'
import type { CommandId } from '#core/base/ids'
import type { ColumnPlan } from '#core/bring-in/columns'
import type { Written } from '#core/bring-in/guess'
import type { Project, StatusId } from '#core/model/records'
import { counted } from '../counted'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { useAsk } from '../data/use-ask'
import { isOpen, retargeted, rewritten } from './targets'
import type { BringInApi, PlanSummary, ReadFile } from './worker'

export type BringIn = ReturnType<typeof useBringIn>

/** What is in reactive state cannot be sent to a worker as it is. */
const plainly = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

/** A file that is being brought in: read by a worker, planned again with every choice, sent when it is confirmed. */
export function useBringIn(project: () => Project | undefined) {
  const directory = useDirectory()
  const changes = useChanges()
  const ask = useAsk()
  const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' })
  worker.addEventListener('error', (event) => console.error('bring-in worker:', event.message))
  const api: Remote<BringInApi> = wrap<BringInApi>(worker)
  onBeforeUnmount(() => worker.terminate())

  const fileName = ref('')
  const reading = ref<{ done: number; all: number }>()
  const file = shallowRef<ReadFile>()
  /** What went wrong, in words. */
  const said = ref('')
  const columns = shallowRef<readonly ColumnPlan[]>([])
  const statusFor = ref<Record<string, StatusId>>({})
  /** What is shown instead of cells, by line and column. */
  const mends = ref<Record<number, Record<number, string>>>({})
  const plan = shallowRef<PlanSummary>()
  const isSending = ref(false)
  const broughtIn = shallowRef<{ readonly command: CommandId; readonly count: number }>()

  async function take(chosen: File): Promise<void> {
    const into = project()?.id
    if (!into) return
    forget()
    fileName.value = chosen.name
    reading.value = { done: 0, all: chosen.size }
    await api.ground(
      plainly(directory.answer?.records ?? {}) as never,
      (await ask('projectItems', { project: into })) ?? [],
    )
    const hear = (done: number) => (reading.value = { done, all: chosen.size })
    const read = await api.read(chosen, into, proxy(hear))
    reading.value = undefined
    if (!read) return forget()
    if ('problem' in read) return void (said.value = await changes.wordsFor(read.problem))
    file.value = read
    columns.value = read.columns
  }
  function forget(): void {
    file.value = plan.value = broughtIn.value = reading.value = undefined
    columns.value = []
    statusFor.value = {}
    mends.value = {}
    said.value = ''
  }

  watch(
    [columns, statusFor, mends],
    async () => {
      const into = project()?.id
      if (!file.value || !into || !columns.value.length) return
      const choices = plainly({ statuses: statusFor.value, mends: mends.value })
      plan.value = await api.plan(into, plainly([...columns.value]), choices)
    },
    { deep: true },
  )

  const mayGo = computed(
    () => !!plan.value?.items && !plan.value.unknownStatuses.length && !columns.value.some((one) => openIn(one).length) && !isSending.value, // prettier-ignore
  )
  /** What has to be said of how a column is written. */
  const openIn = (column: ColumnPlan) => {
    const { target } = column
    const type = target.to === 'new' ? target.type : target.to === 'field' ? directory.reader.maybe('field', target.field)?.type : undefined // prettier-ignore
    return type ? isOpen(column, type) : []
  }
  async function go(): Promise<void> {
    if (!mayGo.value || !plan.value) return
    const count = plan.value.items
    isSending.value = true
    const body = await api.body()
    const done =
      body &&
      (await changes.sendAndWait({ type: 'bring-in', ...body }, `bringing in ${counted(count, 'item', 'items')}`))
    isSending.value = false
    if (done?.ok === false) return void (said.value = await changes.wordsFor(done.problem))
    if (done) broughtIn.value = { command: done.value, count }
  }

  return {
    fileName, reading, file, said, columns, plan, isSending, broughtIn, mayGo,
    take, forget, go, openIn,
    stop: () => api.stop(),
    rows: (from: number, to: number) => api.rows(from, to),
    placeOf: (line: number) => api.placeOf(line),
    retarget: (i: number, key: string) => (columns.value = retargeted(columns.value, i, key)),
    /** How days or numbers of a column are written, where its cells leave it open. */
    setWritten: (i: number, part: Partial<Written>) => (columns.value = rewritten(columns.value, i, part)),
    mend: (line: number, column: number, text: string) =>
      (mends.value = { ...mends.value, [line]: { ...mends.value[line], [column]: text } }),
    setStatus: (text: string, status: StatusId) => (statusFor.value = { ...statusFor.value, [text]: status }),
  } // prettier-ignore
}
