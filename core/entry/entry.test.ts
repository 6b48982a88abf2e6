import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { kindsOf, statusesOf } from '../model/reader'
import { oneLine } from '../base/text'
import { runs } from '../test-kit/runs'
import { run, smallWorkspace } from '../test-kit/workspace'
import { itemsOfLines } from './new-items'
import { cellsOf, parentsOf, printLines, readPasted, type PastedLine } from './pasted'

const linesOf = (text: string): readonly PastedLine[] => {
  const read = readPasted(text)
  return read.ok && read.value.is === 'lines' ? read.value.lines : []
}
const shape = (text: string) => linesOf(text).map(({ level, title }) => `${level} ${title}`)

describe('what is pasted', () => {
  it('is text where it is one line, however it ends', () => {
    for (const text of ['', '\n\n', 'Sow leeks', 'Sow leeks\n', '\n  Sow leeks \r\n'])
      expect(readPasted(text)).toEqual({ ok: true, value: { is: 'text' } })
  })

  it('is a line for each that says something, with the number that it has in the text', () => {
    expect(linesOf('Sow\r\n\r\nWeed\rWater')).toEqual([
      { line: 1, level: 0, title: 'Sow' },
      { line: 3, level: 0, title: 'Weed' },
      { line: 4, level: 0, title: 'Water' },
    ])
  })

  it('lies as deep as it is indented, by blanks or tabs, whatever the width', () => {
    expect(shape('Beds\n  North\n      Dig\n      Rake\n  South\nPaths')).toEqual(['0 Beds', '1 North', '2 Dig', '2 Rake', '1 South', '0 Paths']) // prettier-ignore
    expect(shape('Beds\n\tNorth\n\t\tDig\n\tSouth')).toEqual(['0 Beds', '1 North', '2 Dig', '1 South'])
    // Further out than what it began with, and in between two.
    expect(shape('    Beds\n        North\n      South\n  Paths')).toEqual(['0 Beds', '1 North', '1 South', '0 Paths'])
  })

  it('loses the marks of a list, and says which boxes are ticked', () => {
    expect(shape('- Sow\n* Weed\n  + Hoe\n• Water\n1. Dig\n2) Rake\na) Mow\n-5 degrees at night\n3.5 kg seed')).toEqual([
      '0 Sow', '0 Weed', '1 Hoe', '0 Water', '0 Dig', '0 Rake', '0 Mow', '0 -5 degrees at night', '0 3.5 kg seed',
    ]) // prettier-ignore
    expect(linesOf('- [ ] Sow\n- [x] Weed\n[X] Water\n- Dig').map(({ isTicked }) => isTicked)).toEqual([false, true, true, undefined]) // prettier-ignore
  })

  it('lies under its headings', () => {
    expect(shape('# Beds\n## North\n- Dig\n  - deep\n## South ##\nRake\n# Paths\n### Gravel\nTurn')).toEqual([
      '0 Beds', '1 North', '2 Dig', '3 deep', '1 South', '2 Rake', '0 Paths', '1 Gravel', '2 Turn',
    ]) // prettier-ignore
    expect(shape('#tag is no heading\nSow')).toEqual(['0 #tag is no heading', '0 Sow'])
  })

  it('is a table where tabs stand within every line, or strokes around it', () => {
    const table = { is: 'table', header: ['Title', 'Effort'], rows: 2 }
    const copied = 'Title\tEffort\nSow\t2\n"Weed\nand hoe"\t3'
    expect(readPasted('Title\tEffort\nSow\t2\nWeed\t3')).toEqual({ ok: true, value: table })
    expect(cellsOf(copied)).toEqual([['Title', 'Effort'], ['Sow', '2'], ['Weed\nand hoe', '3']]) // prettier-ignore
    expect(cellsOf('Title\tEffort\nSow\t\n\t3')).toEqual([['Title', 'Effort'], ['Sow', ''], ['', '3']]) // prettier-ignore
    expect(cellsOf('\tSow\n\tWeed')).toBeUndefined()
    expect(cellsOf('| Title | Effort |\n| --- | ---: |\n| Sow \\| drill | 2 |\n| Weed |  |')).toEqual([['Title', 'Effort'], ['Sow | drill', '2'], ['Weed', '']]) // prettier-ignore
    expect(cellsOf('Sow\n\tWeed')).toBeUndefined()
    expect(cellsOf('| only one stroke\nSow')).toBeUndefined()
  })

  it('is refused where it has more lines than a file may have; a line of 1 MB is one', () => {
    expect(readPasted('a\n'.repeat(60_000))).toMatchObject({ ok: false, problem: { code: 'too-many-rows' } })
    const long = 'a'.repeat(1 << 20)
    expect(linesOf(`${long}\nSow`).map(({ title }) => title.length)).toEqual([1 << 20, 3])
    const mega = 1 << 20
    for (const line of [
      `# ${'#'.repeat(mega)}x`,
      `# a${' '.repeat(mega)}b`,
      `${' '.repeat(mega)}|x|`,
      `|${'-'.repeat(mega)}x|`,
      `|${'--|'.repeat(mega / 4)}x|`,
      `[${' '.repeat(mega)}`,
    ])
      expect(linesOf(`${line}\n${line}`)).toHaveLength(2)
    expect(readPasted(`a${'\n'.repeat(mega)}`)).toEqual({ ok: true, value: { is: 'text' } })
    expect(linesOf(`${' '.repeat(1 << 20)}Sow\n${'\t'.repeat(1 << 20)}Weed`)).toHaveLength(2)
  })

  it('is what was copied', () => {
    const title = fc.oneof(
      fc.constantFrom('Sow', '- 2 beds', '3. row', '[x] done', '[ ]', '# head', 'a) b', '| a | b |', '* '),
      fc.string({ unit: 'grapheme', minLength: 1, maxLength: 20 }),
    )
    const line = fc.record({ title: title.map(oneLine).filter(Boolean), level: fc.nat(5) })
    fc.assert(
      fc.property(fc.array(line, { minLength: 2, maxLength: 30 }), (lines) => {
        const read = linesOf(printLines(lines))
        expect(read.map((one) => one.title)).toEqual(lines.map((one) => one.title))
        expect(parentsOf(read)).toEqual(parentsOf(lines))
      }),
      runs(500, 20_000),
    )
  })
})

describe('the items of lines', () => {
  const small = smallWorkspace()
  const { state, project, people, ids } = small
  const [kind] = kindsOf(state, project.id)
  const other = { ...kind!, id: ids.next() as never, name: 'defect', rank: 'b11' }
  state.put('kind', other.id, other)
  const statuses = statusesOf(state, project.id)
  const begin = { project: project.id, kind: kind!, status: statuses[1]!.id, parent: null, values: {} }
  const made = (text: string, more: Partial<typeof begin> = {}) => itemsOfLines(state, linesOf(text), { ...begin, ...more }, ids.next) // prettier-ignore
  const titled = (items: ReturnType<typeof made>['items'], title: string) => items.find((one) => one.title === title)!

  it('lie inside one another as their lines do, in the status and with the values of the place', () => {
    const { items, faults } = made('Beds\n  North\n    Dig\nPaths\n  [x] Rake')
    expect(faults).toEqual([])
    expect(titled(items, 'Beds').parent).toBeNull()
    expect(titled(items, 'Dig').parent).toBe(titled(items, 'North').item)
    expect(titled(items, 'Dig').status).toBe(statuses[1]!.id)
    expect(statuses.find(({ id }) => id === titled(items, 'Rake').status)?.phase).toBe('finished')
    run(state, { id: ids.command(), type: 'items.add', v: 1, items: [...items] }, people.owner.id)
    expect([...state.childrenOf(titled(items, 'Beds').item)]).toHaveLength(1)
    expect(made('Under\n  it\nbeside', { parent: titled(items, 'Paths').item as never }).items.map(({ parent }) => parent)).toEqual([
      titled(items, 'Paths').item, expect.any(String), titled(items, 'Paths').item,
    ]) // prettier-ignore
  })

  it('are of a kind that may be where they lie', () => {
    state.set('kind', kind!.id, 'inside', [other.id])
    const { items } = made('Beds\n  North\n    Dig')
    expect(items.map((one) => one.kind)).toEqual([kind!.id, other.id, kind!.id])
    run(state, { id: ids.command(), type: 'items.add', v: 1, items: [...items] }, people.owner.id)
    state.set('kind', kind!.id, 'inside', null)
  })

  it('are none of a line that no title can be; what lies under it moves up', () => {
    const { items, faults } = made(`Beds\n  ${'a'.repeat(600)}\n    Dig\n  \u2800\nPaths`)
    expect(items.map(({ title }) => title)).toEqual(['Beds', 'Dig', 'Paths'])
    expect(titled(items, 'Dig').parent).toBe(titled(items, 'Beds').item)
    expect(faults.map(({ line, problem }) => [line, problem.code])).toEqual([
      [2, 'too-long'],
      [4, 'no-title'],
    ])
  })
})
