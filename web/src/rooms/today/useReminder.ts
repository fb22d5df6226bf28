import { useLocalStorage } from '@vueuse/core'
import { ref } from 'vue'

/** A sound and a notification when a wait is over or runs out: off until somebody wants them, and by browser. */
export function useReminder() {
  const on = useLocalStorage('gentle-awl.reminder', false)
  const refused = ref('')
  const told = new Set<string>()

  async function set(wanted: boolean): Promise<void> {
    refused.value = ''
    on.value = wanted
    if (!wanted || typeof Notification === 'undefined' || Notification.permission === 'granted') return
    const answer = await Notification.requestPermission()
    if (answer !== 'granted') refused.value = 'The browser shows no notifications here: there is a sound alone.'
  }
  function beep(): void {
    const context = new AudioContext()
    const [tone, loudness] = [context.createOscillator(), context.createGain()]
    tone.frequency.value = 660
    loudness.gain.setValueAtTime(0.2, context.currentTime)
    loudness.gain.exponentialRampToValueAtTime(0.001, context.currentTime + 0.9)
    tone.connect(loudness).connect(context.destination)
    tone.start()
    tone.stop(context.currentTime + 0.9)
    tone.onended = () => void context.close()
  }
  /** Each event once. */
  function remind(id: string, sentence: string, { silent = false } = {}): void {
    if (told.has(id)) return
    told.add(id)
    if (!on.value || silent) return
    beep()
    if (typeof Notification !== 'undefined' && Notification.permission === 'granted') {
      new Notification('Gentle Awl', { body: sentence, tag: id })
    }
  }
  return { on, refused, set, remind }
}
