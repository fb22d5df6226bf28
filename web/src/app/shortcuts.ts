import { onKeyStroke } from '@vueuse/core'

/** The list that `?` shows; rooms bind the keys themselves. */
export const shortcuts: { keys: string; does: string }[] = [
  { keys: '[  ]', does: 'Previous and next stage of the pair' },
  { keys: 'P', does: 'Print and files of the pair' },
  { keys: 'Ctrl Z, Ctrl Y', does: 'Undo, redo' },
  { keys: '/', does: 'Find a pair' },
  { keys: 'arrows', does: 'Move the drawing (Shift: further); on a slider, half a millimetre' },
  { keys: '+  -  0', does: 'Nearer, further, the whole drawing' },
  { keys: '1', does: 'Drawing at true size' },
  { keys: 'F', does: 'Other foot' },
  { keys: '?', does: 'This list' },
]

/** True where letters are meant as letters. */
export function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable ||
      target.matches('input:not([type="range"], [type="checkbox"], [type="radio"]), textarea, select'))
  )
}

/** Binds single keys for as long as the component lives; never while somebody is typing or a dialog is open. */
export function useShortcuts(keys: Record<string, (event: KeyboardEvent) => void>): void {
  onKeyStroke(
    (event) => event.key in keys,
    (event) => {
      if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return
      if (document.querySelector('[role="dialog"]')) return
      event.preventDefault()
      keys[event.key]?.(event)
    },
  )
}
