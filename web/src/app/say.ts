import { nextTick, ref } from 'vue'

/** What was said in passing last, for those who hear it: `App` holds it where screen readers listen. */
export const saidLast = ref('')

/** Says in passing that something was done: for a moment at the foot of the page, and aloud. What failed stays where it failed. */
export async function say(done: string): Promise<void> {
  // The same sentence is to be heard again.
  saidLast.value = ''
  await nextTick()
  saidLast.value = done
  const { message } = await import('./message.ts')
  message.success(done)
}
