/** A number of things with its word: *1 item*, *2 items*. */
export const counted = (count: number, one: string, many: string): string => `${count} ${count === 1 ? one : many}`
