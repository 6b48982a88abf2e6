type Array = Int32Array | Uint32Array | Float64Array | Uint8Array | Uint16Array

/**
 * Arrays that hot loops write to again and again instead of making new ones: what lasts is copied out of them. Each has a
 * name; whoever asks for it again gets the same one, longer where it has to be, with whatever the last use has left.
 */
export class Scratch {
  readonly #arrays = new Map<string, Array>()
  /** Byte arrays that are all zero, to be lent and given back. */
  readonly #marks: Uint8Array[] = []
  #everyRow = new Int32Array(0)

  int32 = (name: string, length: number): Int32Array => this.#get(name, length, Int32Array)
  uint32 = (name: string, length: number): Uint32Array => this.#get(name, length, Uint32Array)
  uint16 = (name: string, length: number): Uint16Array => this.#get(name, length, Uint16Array)
  float64 = (name: string, length: number): Float64Array => this.#get(name, length, Float64Array)

  /** 0, 1, 2 …, at least `length` of them. Not to be written to. */
  everyRow(length: number): Int32Array {
    if (this.#everyRow.length < length)
      this.#everyRow = Int32Array.from({ length: Math.ceil(length * 1.25) }, (_, row) => row)
    return this.#everyRow
  }

  /** At least `length` zero bytes, to be given back by `giveBack`. */
  marks(length: number): Uint8Array {
    const last = this.#marks.pop()
    return last && last.length >= length ? last : new Uint8Array(Math.ceil(length * 1.25))
  }
  /** Takes marks back; the first `length` of them may have been set. */
  giveBack(marks: Uint8Array, length: number): void {
    marks.fill(0, 0, length)
    this.#marks.push(marks)
  }

  #get<A extends Array>(name: string, length: number, Kind: new (length: number) => A): A {
    const known = this.#arrays.get(name)
    if (known && known.length >= length) return known as A
    const made = new Kind(Math.ceil(length * 1.25))
    this.#arrays.set(name, made)
    return made
  }
}
