import { roleNames, type Material, type MaterialRole } from '../model/material.ts'
import type { PlanInput } from '../model/pair.ts'
import type { Sheet } from '../layers/edgeSkive.ts'
import { ofPiece, type OwnMaterials } from '../trade/cutFrom.ts'
import { cannotServe, pieceChoices, type MaterialChoice } from '../trade/materialChoices.ts'
import { liningsAt } from './liningsAt.ts'
import { PlanError } from './planError.ts'
import type { StageCache } from './stageCache.ts'

type Chosen = Pick<PlanInput, 'decisions' | 'materials'>

/** The material of a choice. Throws PlanError, by the name of what it is for, when it is missing or cannot serve there. */
function chosenMaterial({ materials }: Chosen, choice: MaterialChoice): Material {
  const found = materials.find((m) => m.id === choice.id)
  if (!found) {
    throw new PlanError(choice.field, `${choice.name}: the chosen material is not among the pair's materials.`)
  }
  const why = cannotServe(choice, found)
  if (why !== null) throw new PlanError(choice.field, why)
  return found
}

/** The material chosen for a role. Throws PlanError when it is missing or cannot serve there. */
function materialFor(input: Chosen, role: MaterialRole): Material {
  const id = input.decisions.materials[role] ?? ''
  return chosenMaterial(input, { id, role, field: `materials.${role}`, name: roleNames[role] })
}

/**
 * What pieces are cut from that have something of their own. Throws PlanError for a material that is missing or cannot
 * serve, or an id that stands for no piece among several.
 */
function ownMaterials(input: Chosen): OwnMaterials {
  return Object.fromEntries(
    pieceChoices(input.decisions).map((choice) => [choice.piece, chosenMaterial(input, choice)]),
  )
}

/** What a piece of several is cut from: its own, or what serves for its like. Throws PlanError when that is missing. */
export function pieceMaterial(input: Chosen, piece: string, role: MaterialRole): Material {
  const own = pieceChoices(input.decisions).find((c) => c.piece === piece)
  return own ? chosenMaterial(input, own) : materialFor(input, role)
}

/**
 * Every material of a pair by what it serves as, each the very object it was when last seen with the same figures, so
 * that stages may name it as an input. Throws PlanError naming the decision to change.
 */
export function materialsOf(input: PlanInput, cache: StageCache) {
  const { sock, materials } = input.decisions
  if (sock.padding !== 'none' && !materials.padding) {
    throw new PlanError('materials.padding', 'Choose a material for the padding, or plan the pair without padding.')
  }
  const known = (role: MaterialRole) => cache.same('material', materialFor(input, role))
  /** A material that may be left to the house rule. */
  const chosen = (role: MaterialRole) => (materials[role] === null ? null : known(role))
  const lining = known('lining')
  const own = cache.same('piece materials', ownMaterials(input))
  const thick = cache.same(
    'piece thicknesses',
    Object.fromEntries(Object.entries(own).map(([id, m]) => [id, m.thickness])),
  )
  const sheet = ({ thickness, kind }: Material): Sheet => ({ thickness, kind })
  return {
    upper: known('upper'),
    lining,
    /** Pieces that are cut from something of their own, and how thick that is. */
    own,
    thick,
    /** The same as what is skived. */
    sheets: cache.same('piece sheets', Object.fromEntries(Object.entries(own).map(([id, m]) => [id, sheet(m)]))),
    upperSheet: cache.same('upper sheet', sheet(known('upper'))),
    liningsAt: cache.same('linings at', liningsAt(input.decisions, lining.thickness, thick)),
    cover: ofPiece(own, 'insoleCover', lining),
    insole: known('insole'),
    stiffener: known('stiffener'),
    puff: known('puff'),
    sock: known('sock'),
    midsole: known('midsole'),
    backer: chosen('backer'),
    stay: chosen('stay'),
    padding: sock.padding === 'none' ? null : known('padding'),
    foam: chosen('foam'),
    welt: chosen('welt'),
    shank: chosen('shank'),
    outsole: chosen('outsole'),
    wedge: ofPiece(own, 'heelWedge', chosen('heel')),
    lift: ofPiece(own, 'heelLift', chosen('heel')),
    topPiece: chosen('topPiece'),
  }
}
export type PairMaterials = ReturnType<typeof materialsOf>
