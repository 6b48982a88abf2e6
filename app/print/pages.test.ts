import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { fitting, pageStyle, papers, widthOf, type Paper } from './pages'

const column = (width: number, name = 'bay') => ({ name, width, isNumber: false })

describe('the columns of a printed view', () => {
  it('are all there that fit beside one another, and never more', () => {
    const some = fc.array(fc.nat(80).map((width) => column(width)), { maxLength: 30 }) // prettier-ignore
    const paper = fc.constantFrom(...(Object.keys(papers) as Paper[]))
    fc.assert(
      fc.property(some, paper, fc.boolean(), (columns, name, isAcross) => {
        const { fit, left } = fitting(columns, name, isAcross)
        expect([...fit, ...left].sort((a, b) => a - b)).toEqual(columns.map((_, i) => i))
        const width = (i: number) => widthOf(columns[i]!, i === 1)
        const used = fit.reduce((sum, i) => sum + width(i), 0)
        const room = papers[name][isAcross ? 1 : 0] - 24
        expect(used).toBeLessThanOrEqual(room)
        for (const i of left) expect(fit.filter((other) => other < i).reduce((sum, other) => sum + width(other), width(i))).toBeGreaterThan(room) // prettier-ignore
      }),
    )
  })

  it('have more room across, and on larger paper', () => {
    const columns = Array.from({ length: 20 }, () => column(12))
    const count = (paper: Paper, isAcross: boolean) => fitting(columns, paper, isAcross).fit.length
    expect(count('A4', true)).toBeGreaterThan(count('A4', false))
    expect(count('A3', true)).toBeGreaterThan(count('A4', true))
  })

  it('stand under a head that no name can break out of', () => {
    const style = pageStyle('A4', true, 'Gar"den\\ } @page { size: A0 }\nGLH', 'today')
    expect(style).toContain('"Gar\\"den\\\\ } @page { size: A0 } GLH"')
    expect(style).toContain('size: A4 landscape')
  })
})
