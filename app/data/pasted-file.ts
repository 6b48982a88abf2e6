import { shallowRef } from 'vue'

/** A table that was pasted where items are typed, until the page that brings files in takes it. */
export const pastedFile = shallowRef<File>()
