/** What a signed-in page needs first, from the build; written by modules/app-shell.ts. */
declare module '#app-shell' {
  const shell: {
    /** The script that the HTML holds. */
    readonly start: string
    readonly fonts: readonly string[]
  }
  export default shell
}
