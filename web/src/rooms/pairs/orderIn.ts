/** The order number that a pair file bears; null for a text that is none: the server says what is wrong with it. */
export function orderIn(text: string): string | null {
  try {
    const file: unknown = JSON.parse(text)
    if (typeof file !== 'object' || file === null || !('label' in file)) return null
    const { label } = file
    if (typeof label !== 'object' || label === null || !('order' in label)) return null
    return typeof label.order === 'string' ? label.order : null
  } catch (error) {
    if (error instanceof SyntaxError) return null
    throw error
  }
}

/** The same file under another order number; one that bears none stays as it is. */
export function withOrder(text: string, order: string): string {
  if (orderIn(text) === null || orderIn(text) === order) return text
  const file = JSON.parse(text) as { label: Record<string, unknown> }
  return JSON.stringify({ ...file, label: { ...file.label, order: order.trim() } })
}
