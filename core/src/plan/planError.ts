/** Thrown when a pair's decisions cannot be planned at all; `field` is the decision to change. */
export class PlanError extends Error {
  override readonly name = 'PlanError'
  constructor(
    readonly field: string,
    message: string,
  ) {
    super(message)
  }
}
