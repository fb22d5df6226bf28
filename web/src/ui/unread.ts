/** Does a form hold a figure that could not be read? Then it takes the focus there, and nothing is to be kept. */
export function unread(form: Element | null | undefined): boolean {
  const field = form?.querySelector<HTMLElement>('[aria-invalid="true"]')
  field?.focus()
  return field !== null && field !== undefined
}
