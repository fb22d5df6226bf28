import { ref, type Ref } from 'vue'
import { ApiError } from '../api/ask.ts'
import { OutlineError } from '../formats/outlineError.ts'

/** A no with a sentence for the person who asked: of the server, or of a file that was chosen. */
export type Refusal = ApiError | OutlineError

interface Attempt {
  /** What the last refusal said; empty while there is none. */
  problem: Ref<string>
  busy: Ref<boolean>
  /**
   * Tries, tells, goes on: gives what the work gave, or undefined when it was refused. The refusal's sentence is then the
   * problem, or `refused` is told of it and says what follows. An error that is no refusal is a fault of ours and goes on up.
   */
  attempt: <T>(work: () => Promise<T>, refused?: (refusal: Refusal) => void | Promise<void>) => Promise<T | undefined>
}

export function useAttempt(): Attempt {
  const problem = ref('')
  const busy = ref(false)
  return {
    problem,
    busy,
    attempt: async (work, refused = ({ message }) => void (problem.value = message)) => {
      problem.value = ''
      busy.value = true
      try {
        return await work()
      } catch (error) {
        if (!(error instanceof ApiError || error instanceof OutlineError)) throw error
        await refused(error)
        return undefined
      } finally {
        busy.value = false
      }
    },
  }
}
