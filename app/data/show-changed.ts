/** Shows the page where it waited for what somebody changed in its view (worker/start.ts). */
export const showChanged = (): void => void delete document.documentElement.dataset.draft
