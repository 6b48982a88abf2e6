/** The most records that a file may hold. */
export const mostRecords = 50_000
