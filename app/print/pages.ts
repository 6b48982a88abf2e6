/** What of a sheet fits on a paper, and how the paper is told to the browser. */
import type { SheetColumn } from '#core/queries/sheet'

/** Sizes of paper in mm, upright. */
export const papers = { A4: [210, 297], A3: [297, 420], Letter: [216, 279] } as const
export type Paper = keyof typeof papers

const margin = { side: 12, top: 20, bottom: 16 }
/** A character of the sheet's type, and what stands around a column, in mm. */
const [perCharacter, around] = [1.65, 4]
const [narrowest, widest, widestTitle] = [12, 46, 84]

/** How wide a column is printed, in mm. */
export const widthOf = ({ width }: Pick<SheetColumn, 'width'>, isTitle: boolean): number =>
  Math.min(isTitle ? widestTitle : widest, Math.max(narrowest, width * perCharacter + around))

/** Which columns fit beside one another, in their order: a narrow one may come in after a wide one that did not. */
export function fitting(
  columns: readonly SheetColumn[],
  paper: Paper,
  isAcross: boolean,
): { fit: number[]; left: number[] } {
  // prettier-ignore
  const room = papers[paper][isAcross ? 1 : 0] - 2 * margin.side
  const fit: number[] = []
  const left: number[] = []
  let used = 0
  for (const [i, column] of columns.entries()) {
    const width = widthOf(column, i === 1)
    if (used + width > room) left.push(i)
    else {
      fit.push(i)
      used += width
    }
  }
  return { fit, left }
}

const quoted = (text: string): string => `"${text.replace(/[\\"\n]/g, (char) => (char === '\n' ? ' ' : `\\${char}`))}"`

/** The style of the pages: their size, and what stands at the head and foot of each. */
export const pageStyle = (paper: Paper, isAcross: boolean, head: string, day: string): string => `@page {
  size: ${paper} ${isAcross ? 'landscape' : 'portrait'};
  margin: ${margin.top}mm ${margin.side}mm ${margin.bottom}mm;
  @top-left { content: ${quoted(head)}; font: 600 9pt sans-serif; vertical-align: bottom; padding-bottom: 4mm; }
  @top-right { content: ${quoted(day)}; font: 9pt sans-serif; vertical-align: bottom; padding-bottom: 4mm; }
  @bottom-right { content: counter(page) " / " counter(pages); font: 9pt sans-serif; }
}`
