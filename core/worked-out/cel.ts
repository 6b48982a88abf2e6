/**
 * The evaluator of formulas: CEL, a language without loops of its own, in which every name has a type. It reads facts as
 * they stand in the columns; nothing of it can reach outside of them.
 */
import { Environment } from '@marcbachmann/cel-js'
import { dayNumber } from '../base/dates'
import { fail, ok, type Result } from '../base/result'
import { keysIn, namesIn, readableFormula, wordOf, type Rewritten } from '../fields/formulas'
import type { GivenType } from '../fields/names'
import type { FieldSettings } from '../fields/settings'
import type { Read } from './read'
import { noRow, type ItemTable } from '../model/item-table'
import type { Reader } from '../model/reader'
import type { ProjectId } from '../model/records'
import type { Fact, ViewContext } from '../facts/contract'
import type { FormulaFault } from '../facts/workings'
import { faultOf, typeWords } from './faults'
import { addFunctions } from './functions'
import { costOf, mostCost, refusedCall, type Node } from './cost'
import { nameables, namedFact } from './names'
import { linkedRows } from './roll-ups'
import { Day, isLinkedFact, readerOf, resultWriter, typeInFormulas, typeOfKind, type Reckoned } from './values'
import type { Working } from './working'

/** What a formula may be at most, before it is refused unread. */
const limits = { maxAstNodes: 200, maxDepth: 60, maxListElements: 200, maxMapEntries: 50, maxCallArguments: 20 }

/** An item that a formula walks over. */
class Walked {
  constructor(readonly row: number) {}
}

/** What is known of a formula before anything is evaluated. */
export interface Checked {
  /** As what its results can be shown, the most fitting first. */
  readonly gives: readonly GivenType[]
  /** The keys that it names. */
  readonly keys: readonly string[]
}

/** As what results of a type of the language can be shown. */
const givenBy: Readonly<Record<string, readonly GivenType[]>> = {
  double: ['number', 'money', 'duration'],
  int: ['number', 'money', 'duration'],
  string: ['shortText'],
  bool: ['checkbox'],
  Day: ['date'],
  dyn: ['number', 'shortText', 'date', 'checkbox', 'money', 'duration'],
}

/** What can be said in formulas of a project, for as long as nothing but its items changes. */
function environment(reader: Reader, project: ProjectId, Item: new (row: number) => Walked): Environment {
  const env = new Environment({ limits })
  const named = nameables(reader, project)
  const typed = (facts: readonly Fact[]) => facts.map((fact) => [wordOf(fact.key), typeInFormulas(fact)] as const)
  const all = typed(named)
  env.registerType('Day', { ctor: Day, fields: {} })
  env.registerType('Item', {
    ctor: Item,
    fields: Object.fromEntries(typed(named.filter((fact) => !isLinkedFact(fact)))),
  })
  for (const [word, type] of all) env.registerVariable(word, type)
  env.registerVariable('today', 'Day')
  env.registerVariable('children', 'list<Item>')
  env.registerVariable('inside', 'list<Item>')
  env.registerVariable('parent', 'Item')
  addFunctions(env, reader.workingTime())
  return env
}
/** Each project's last, as long as nothing but items has changed. */
const known = new WeakMap<Reader, { readonly edition: number; readonly of: Map<ProjectId, Known> }>()
interface Known {
  readonly env: Environment
  readonly Item: new (row: number) => Walked
  readonly checked: Map<string, Result<Checked, FormulaFault>>
}
function knownOf(reader: Reader, project: ProjectId): Known {
  let all = known.get(reader)
  if (all?.edition !== reader.edition) known.set(reader, (all = { edition: reader.edition, of: new Map() }))
  let its = all.of.get(project)
  if (!its) {
    const Item = class extends Walked {}
    all.of.set(project, (its = { Item, env: environment(reader, project, Item), checked: new Map() }))
  }
  return its
}

function checkIn(reader: Reader, project: ProjectId, formula: string): Result<Checked, FormulaFault> {
  const readable = readableFormula(formula)
  const keys = keysIn(formula)
  const gone = keys.find((key) => !namedFact(reader, project, key))
  if (gone !== undefined) {
    const at = formula.indexOf(`\`${gone}\``)
    const words = /^[0-9a-f-]{36}$/.test(gone) ? 'This names a field that has been removed.' : `There is no field called “${gone}”.` // prettier-ignore
    return fail({ words, from: at, to: at + gone.length + 2 })
  }
  const { env } = knownOf(reader, project)
  const checked = env.check(readable.text)
  if (!checked.valid) return fail(inStored(faultOf(checked.error, readable.text), readable))
  const ast = env.parse(readable.text).ast as unknown as Node
  const call = refusedCall(ast)
  if (call) return fail(whole(formula, `“${call}” can run long, and isn’t used here.`))
  if (costOf(ast) > mostCost) return fail(whole(formula, 'This could run long: it walks over many items again and again.')) // prettier-ignore
  const gives = givenBy[checked.type ?? 'dyn']
  if (!gives) return fail(whole(formula, `This comes to ${typeWords(checked.type ?? '')}. Make one number, text, day or yes of it.`)) // prettier-ignore
  return ok({ gives, keys })
}
const whole = (formula: string, words: string): FormulaFault => ({ words, from: 0, to: formula.length })
const inStored = ({ words, from, to }: FormulaFault, { back }: Rewritten): FormulaFault => ({
  words,
  from: back(from),
  to: back(to),
})

/** What a formula finds when it is evaluated, put there for one row after another. */
interface Scope {
  readonly found: Readonly<Record<string, unknown>>
  goTo(row: number): void
}
function scopeOf(
  context: ViewContext,
  Item: new (row: number) => Walked,
  formula: string,
  read: Read,
): Scope | undefined {
  const { table, viewer } = context
  const found: Record<string, unknown> = { today: new Day(dayNumber(viewer.today)) }
  const words: string[] = []
  const gives: ((row: number) => Reckoned | readonly Walked[])[] = []
  for (const key of keysIn(formula)) {
    const readable = read(key)
    if (!readable) return undefined
    const { fact, source, ready } = readable
    if (isLinkedFact(fact)) {
      const rowsOf = linkedRows(context, key)
      words.push(wordOf(key))
      gives.push((row) => rowsOf(row).map((one) => new Item(one)))
      continue
    }
    const at = readerOf(context, fact, source)
    const none = empty[typeOfKind[fact.kind]]
    words.push(wordOf(key))
    const give = ready ? (row: number) => (ready(row), at(row)) : at
    gives.push(give)
    Object.defineProperty(Item.prototype, wordOf(key), {
      configurable: true,
      get(this: Walked) {
        return this.row === noRow ? none : give(this.row)
      },
    })
  }
  const walks = walksOf(table, Item, namesIn(formula))
  return {
    found,
    goTo(row) {
      for (let k = 0; k < words.length; k++) found[words[k]!] = gives[k]!(row)
      for (const [name, walk] of walks) found[name] = walk(row)
    },
  }
}
const empty = { double: Number.NaN, string: '', bool: false, Day: new Day(Number.NaN), 'list<string>': [] } as const

/** The items that a formula walks over, where it names them. */
function walksOf(table: ItemTable, Item: new (row: number) => Walked, named: ReadonlySet<string>) {
  const children = (row: number) => [...table.childrenOf(row)].filter((child) => table.listed[child])
  const inside = (row: number): number[] => {
    const rows = children(row)
    for (let k = 0; k < rows.length; k++) rows.push(...children(rows[k]!))
    return rows
  }
  const all: [name: string, walk: (row: number) => unknown][] = [
    ['children', (row) => children(row).map((one) => new Item(one))],
    ['inside', (row) => inside(row).map((one) => new Item(one))],
    ['parent', (row) => new Item(table.parent[row]!)],
  ]
  return all.filter(([name]) => named.has(name))
}

/** What a stored formula is in a project; the place of a fault is one in the stored formula. */
export function check(reader: Reader, project: ProjectId, formula: string): Result<Checked, FormulaFault> {
  const { checked } = knownOf(reader, project)
  const before = checked.get(formula)
  if (before) return before
  const now = checkIn(reader, project, formula)
  checked.set(formula, now)
  return now
}

/** How a computed field is worked out; undefined where its formula cannot be (any more). */
export function prepare(context: ViewContext, settings: FieldSettings, read: Read): Working | undefined {
  const { reader, project } = context
  const { formula = '' } = settings
  if (!check(reader, project, formula).ok) return undefined
  const { env, Item } = knownOf(reader, project)
  const evaluate = env.parse(readableFormula(formula).text)
  const scope = scopeOf(context, Item, formula, read)
  if (!scope) return undefined
  const writer = resultWriter(settings)
  const evaluated = (row: number): unknown => {
    scope.goTo(row)
    try {
      return evaluate(scope.found)
    } catch {
      // As of a list whose first is asked for, and which has none: what cannot be worked out is empty.
      return undefined
    }
  }
  const { table } = context
  return {
    write: (row, column) => writer(column)(row, evaluated(row)),
    fillAll(column) {
      const write = writer(column)
      for (let row = 0; row < table.n; row++) write(row, table.ids[row] === '' ? undefined : evaluated(row))
    },
  }
}
