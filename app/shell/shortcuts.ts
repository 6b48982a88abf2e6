import { shallowRef } from 'vue'

/** Whether the list of keyboard shortcuts is shown. */
export const isShowingKeys = shallowRef(false)
