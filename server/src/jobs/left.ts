/** The one who asked for a job is not there any more. */
export class Left extends Error {
  override readonly name = 'Left'
}
