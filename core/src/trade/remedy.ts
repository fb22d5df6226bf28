import type { HandDecision } from '../model/handFigures.ts'
import { setByHand, setRule } from '../model/byHand.ts'
import type { MaterialRole } from '../model/material.ts'
import { PairDecisions } from '../model/pair.ts'
import type { Sentence } from '../units/sentence.ts'

/** Part of a document: only what changes, however deep. Lists are whole. */
export type Patch<T> = T extends readonly unknown[] ? T : T extends object ? { [K in keyof T]?: Patch<T[K]> } : T

/** Where a person decides what no figure can: the place that a button leads to. */
export type Control =
  | { room: 'decisions'; at: 'last' | 'cup sole' | MaterialRole }
  | { room: 'decisions'; piece: { id: string; name: string } }
  | { room: 'upper'; point: string }
  | { room: 'last'; page: 'measure' | 'build-ups' }
  | { room: 'stores' }

/** What the button of a finding does: it sets a figure, makes a choice, or leads to where one is made. */
export type Remedy =
  | { kind: 'rule'; key: string; value: number }
  | { kind: 'hand'; decision: HandDecision; value: number }
  | { kind: 'choice'; name: Sentence; decisions: Patch<PairDecisions> }
  | { kind: 'open'; control: Control }

const isGroup = (v: unknown): v is Record<string, unknown> => typeof v === 'object' && v !== null && !Array.isArray(v)

function merged(whole: unknown, patch: unknown): unknown {
  if (!isGroup(patch)) return patch
  const out: Record<string, unknown> = isGroup(whole) ? { ...whole } : {}
  for (const [key, value] of Object.entries(patch)) out[key] = merged(out[key], value)
  return out
}

/** A choice as it holds for the left shoe alone: what it may have of its own is chosen for it, all else is the pair's. */
function forLeft({ sock, lasted, heel, ...rest }: Patch<PairDecisions>): Patch<PairDecisions> {
  const { padding, ...sockOfBoth } = sock ?? {}
  const { lifts, ...heelOfBoth } = heel ?? {}
  const own = {
    ...(padding === undefined ? {} : { padding }),
    ...(lasted === undefined ? {} : { lasted }),
    ...(lifts === undefined ? {} : { figures: { 'heel.lifts': lifts } }),
  }
  return { ...rest, sock: sockOfBoth, heel: heelOfBoth, left: { ...rest.left, ...own } }
}

/** The decisions with what a remedy changes: for the left shoe alone where it is planned and looked at on its own. */
export function remedied(decisions: PairDecisions, remedy: Remedy, leftAlone = false): PairDecisions {
  const left = leftAlone ? decisions.left : null
  switch (remedy.kind) {
    case 'rule':
      return setRule(decisions, remedy.key, remedy.value)
    case 'hand':
      return left
        ? { ...decisions, left: { ...left, figures: { ...left.figures, [remedy.decision]: remedy.value } } }
        : setByHand(decisions, remedy.decision, remedy.value)
    case 'choice':
      return PairDecisions.parse(merged(decisions, left ? forLeft(remedy.decisions) : remedy.decisions))
    case 'open':
      return decisions
  }
}
