/** What this browser keeps of how its pages look, for what is painted before anything has been read (worker/start). */
export const [themeKey, densityKey] = ['wrenleaf-theme', 'wrenleaf-density'] as const

/** Puts the theme on a page that knows nobody’s preferences: as this browser keeps it, else as the system has it. */
export function restoreTheme(): void {
  const isDark = matchMedia('(prefers-color-scheme: dark)').matches
  document.documentElement.dataset.theme = localStorage.getItem(themeKey) ?? (isDark ? 'night' : 'day')
}
