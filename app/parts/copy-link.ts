/** Puts the address of an item where it can be pasted from. */
export async function copyLink(address: string): Promise<void> {
  const link = `${location.origin}/app/items/${address}`
  try {
    await navigator.clipboard.writeText(link)
  } catch {
    // Outside a secure context there is no clipboard: the old way still copies.
    const area = document.body.appendChild(document.createElement('textarea'))
    area.value = link
    area.select()
    document.execCommand('copy')
    area.remove()
  }
}
