/** How deep a JSON text is nested, counted while its bytes come in: parsing what is very deep would exhaust the stack. */
export class JsonDepth {
  #depth = 0
  #isInText = false
  #isEscaped = false

  constructor(readonly deepest: number) {}

  /** Takes in some more; false where it is too deep. */
  take(bytes: Uint8Array): boolean {
    for (const byte of bytes) {
      if (this.#isInText) {
        if (this.#isEscaped) this.#isEscaped = false
        else if (byte === backslash) this.#isEscaped = true
        else if (byte === quote) this.#isInText = false
      } else if (byte === quote) this.#isInText = true
      else if (byte === openBracket || byte === openBrace) {
        if (++this.#depth > this.deepest) return false
      } else if (byte === closeBracket || byte === closeBrace) this.#depth--
    }
    return true
  }
}

const [quote, backslash, openBracket, closeBracket, openBrace, closeBrace] = [0x22, 0x5c, 0x5b, 0x5d, 0x7b, 0x7d]
