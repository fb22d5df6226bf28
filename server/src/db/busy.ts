/** Does an error say that the database cannot be had just now, since another program holds it or a copy is being put back? The database layer wraps the driver's error; the reason may lie several causes deep. */
export function isBusy(error: unknown): boolean {
  if (!(error instanceof Error)) return false
  return (
    /SQLITE_BUSY|SQLITE_LOCKED|database is locked|CLIENT_CLOSED|client is closed/.test(error.message) ||
    isBusy(error.cause)
  )
}
