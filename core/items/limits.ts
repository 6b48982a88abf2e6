/** The most items that one command speaks of by their ids alone. */
export const mostAtOnce = 100_000
/** The largest body of such a command: an id takes some 40 bytes. */
export const bytesOfMost = 5 << 20
/** Of more it goes beside all other commands. */
export const mostInTurn = 1000
