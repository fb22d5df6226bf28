import type { HandDecision } from '../model/handDecisions.ts'
import { setByHand, setRule } from '../model/byHand.ts'
import type { MaterialRole } from '../model/material.ts'
import { PairDecisions } from '../model/pair.ts'

/** Part of a document: only what changes, however deep. Lists are whole. */
export type Patch<T> = T extends readonly unknown[] ? T : T extends object ? { [K in keyof T]?: Patch<T[K]> } : T

/** Where a person decides what no figure can: the place that a button leads to. */
export type Control =
  | { room: 'decisions'; at: 'last' | 'cup sole' | MaterialRole }
  | { room: 'upper'; point: string }
  | { room: 'last'; page: 'measure' | 'build-ups' }
  | { room: 'stores' }

/** What the button of a finding does: it sets a figure, makes a choice, or leads to where one is made. */
export type Remedy =
  | { kind: 'rule'; key: string; value: number }
  | { kind: 'hand'; decision: HandDecision; value: number }
  | { kind: 'choice'; name: string; decisions: Patch<PairDecisions> }
  | { kind: 'open'; control: Control }

const isGroup = (v: unknown): v is Record<string, unknown> => typeof v === 'object' && v !== null && !Array.isArray(v)

function merged(whole: unknown, patch: unknown): unknown {
  if (!isGroup(patch)) return patch
  const out: Record<string, unknown> = isGroup(whole) ? { ...whole } : {}
  for (const [key, value] of Object.entries(patch)) out[key] = merged(out[key], value)
  return out
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
    case 'choice': {
      // What a left shoe may have of its own is chosen for it; all else is the pair's.
      const { sock, lasted } = remedy.decisions
      const own = { ...(sock?.padding ? { padding: sock.padding } : {}), ...(lasted ? { lasted } : {}) }
      const patch = left && Object.keys(own).length > 0 ? { left: own } : remedy.decisions
      return PairDecisions.parse(merged(decisions, patch))
    }
    case 'open':
      return decisions
  }
}
