import type { Material } from '../model/material.ts'

/** What is told apart of pieces by their ids; a piece that is not in it goes by what serves for its like. */
export type ByPiece<T> = Readonly<Record<string, T>>
/** Materials of the pieces that are cut from something of their own. */
export type OwnMaterials = ByPiece<Material>

/** What a piece is cut from, or how thick it is: its own, or the usual. */
export const ofPiece = <T, U>(own: ByPiece<T>, id: string, usual: U): T | U =>
  Object.hasOwn(own, id) ? own[id]! : usual
