/** A browser may still be reading the file so long after it was handed over, ms. */
const LET_GO = 10_000

/** Hands a file to the browser to keep. */
export function saveFile(name: string, blob: Blob): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(blob)
  link.download = name
  link.click()
  setTimeout(() => URL.revokeObjectURL(link.href), LET_GO)
}
