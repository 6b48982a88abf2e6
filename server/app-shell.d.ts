/** Where the build put what a signed-in page needs first; written by modules/app-shell.ts. */
declare module '#app-shell' {
  const files: { readonly begin: string; readonly fonts: readonly string[] }
  export default files
}
