/** Does an error say that another program holds the database? The database layer wraps the driver's error; the reason may lie several causes deep. */
export function isBusy(error: unknown): boolean {
  if (!(error instanceof Error)) return false
  return /SQLITE_BUSY|SQLITE_LOCKED|database is locked/.test(error.message) || isBusy(error.cause)
}
