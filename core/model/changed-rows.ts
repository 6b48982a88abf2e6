/** So many rows are remembered. */
const most = 8192

/** Which rows have changed, and when: the last of them. */
export class ChangedRows {
  #rows: number[] = []
  #moments: number[] = []
  /** Of what came before nothing is remembered. */
  #from = 0

  add(row: number, moment: number): void {
    if (this.#rows.length >= most) this.#drop()
    this.#rows.push(row)
    this.#moments.push(moment)
  }
  /** Every row has changed. */
  addAll(moment: number): void {
    this.#rows = []
    this.#moments = []
    this.#from = moment
  }
  /** Rows that have changed after a moment, some of them twice; undefined: any of them may have. */
  since(moment: number): number[] | undefined {
    if (moment < this.#from) return undefined
    let at = this.#rows.length
    while (at > 0 && this.#moments[at - 1]! > moment) at--
    return this.#rows.slice(at)
  }
  #drop(): void {
    const half = this.#rows.length >> 1
    this.#from = this.#moments[half]!
    const kept = this.#moments.findIndex((moment) => moment > this.#from)
    this.#rows = kept < 0 ? [] : this.#rows.slice(kept)
    this.#moments = kept < 0 ? [] : this.#moments.slice(kept)
  }
}
