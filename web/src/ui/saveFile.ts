/** Hands a file to the person: the browser keeps it where it keeps downloads. */
export function saveFile(content: Blob, name: string) {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(content)
  link.download = name
  link.click()
  URL.revokeObjectURL(link.href)
}

/** A text as a part of a file name. */
export function fileName(text: string) {
  return text
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '')
    .toLowerCase()
}
