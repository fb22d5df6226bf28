/** A piece in words, before any plan has named it: `quarterLining.lateral` is a quarter lining, lateral. */
export const pieceWords = (id: string): string =>
  id
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .replace(/\./g, ', ')
    .toLowerCase()
