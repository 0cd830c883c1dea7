/** Has the browser keep something as a file. */
export function download(what: Blob, name: string) {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(what)
  link.download = name
  link.click()
  // The browser has taken it by then.
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000)
}
