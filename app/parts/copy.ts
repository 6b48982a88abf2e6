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
