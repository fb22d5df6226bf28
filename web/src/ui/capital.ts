/** A name as it begins a line or a sentence. */
export const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
