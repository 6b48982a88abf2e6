/** Puts a text where it can be pasted from. */
export async function copyText(text: string): Promise<void> {
  try {
    await navigator.clipboard.writeText(text)
  } catch {
    // Outside a secure context there is no clipboard: the old way still copies.
    const area = document.body.appendChild(document.createElement('textarea'))
    area.value = text
    area.select()
    document.execCommand('copy')
    area.remove()
  }
}

/** The same of the address of an item. */
export const copyLink = (address: string): Promise<void> => copyText(`${location.origin}/app/items/${address}`)

/** Saves a text as a file. */
export function saveText(name: string, text: string, type: string): void {
  const address = URL.createObjectURL(new Blob([text], { type: `${type};charset=utf-8` }))
  const link = Object.assign(document.createElement('a'), { href: address, download: name })
  link.click()
  setTimeout(() => URL.revokeObjectURL(address), 10_000)
}
/** Delimited text as a file: with the mark by which spreadsheets know how its letters are written. */
export const saveCsv = (name: string, text: string): void =>
  saveText(`${name.replace(/[^\p{L}\p{N} ._-]+/gu, ' ').trim() || 'items'}.csv`, `\uFEFF${text}`, 'text/csv')
