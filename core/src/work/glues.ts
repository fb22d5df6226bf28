import type { Ways } from '../model/work.ts'
import type { Rule } from '../trade/rules.ts'
import type { CautionId } from './cautions.ts'
import type { Facts } from './facts.ts'
import type { Stuff, Wait } from './step.ts'
import { atLeast, waitRules } from './waits.ts'

export const stuffRules = {
  cement: {
    key: 'stuff.cement',
    name: 'Cement for one face, grams a dm²',
    value: 2.5,
    min: 0.5,
    max: 10,
    unit: 'count',
    why: 'A thin coat; rough leather drinks a first one.',
  },
  paste: {
    key: 'stuff.paste',
    name: 'Paste for one face, grams a dm²',
    value: 5,
    min: 1,
    max: 15,
    unit: 'count',
    why: 'It is rubbed in until the face is slippery, and half of it comes off again.',
  },
  dye: {
    key: 'stuff.dye',
    name: 'Dye for a metre of edge and coat, millilitres',
    value: 2,
    min: 0.2,
    max: 20,
    unit: 'count',
    why: 'A cut edge drinks more than the face of the leather.',
  },
} satisfies Record<string, Rule>

/** How a glue is used: it waits open on both faces, or its faces meet wet and it sets under pressure. */
export interface Glue {
  name: string
  /** Before the faces meet; null where they meet at once. */
  open: Wait | null
  /** After they met, before they are loaded; null where they hold at once. */
  sets: Wait | null
  cautions: CautionId[]
}

const WARM = 'Warmed, it grabs again: both faces, until a knuckle sticks.'

/** What soles, margins and linings are stuck with. */
export function cementOf({ work, book }: Pick<Facts, 'work' | 'book'>): Glue {
  const value = (rule: Rule) => book.value(rule)
  const glues: Record<Ways['cement'], () => Glue> = {
    'contact cement': () => ({
      name: 'Contact cement',
      open: {
        ...atLeast(book, waitRules.contactMin),
        max: value(waitRules.contactMax),
        why: 'Cement on both faces; tacky, no longer wet.',
        late: WARM,
      },
      sets: null,
      cautions: ['cement'],
    }),
    neoprene: () => ({
      name: 'Neoprene cement',
      open: {
        ...atLeast(book, waitRules.neopreneMin),
        max: value(waitRules.neopreneMax),
        why: 'Neoprene on both faces; dry to the knuckle.',
        late: WARM,
      },
      sets: null,
      cautions: ['cement'],
    }),
    'heat-set glue': () => ({
      name: 'Heat-set glue',
      open: {
        ...atLeast(book, waitRules.heatSetMin),
        max: null,
        why: 'Until it is clear; heat wakes it when the faces meet, today or tomorrow.',
      },
      sets: null,
      cautions: ['heat'],
    }),
    'white glue': () => ({
      name: 'White glue',
      open: null,
      sets: {
        ...atLeast(book, waitRules.whiteGlueMin),
        max: null,
        why: 'White glue sets under pressure as its water goes into the leather.',
      },
      cautions: [],
    }),
  }
  return glues[work.ways.cement]()
}

/** Until the glue of a margin is hard: before, it is neither trimmed nor are its tacks drawn. */
export const cementHard = (f: Pick<Facts, 'work' | 'book'>): Wait =>
  cementOf(f).sets ?? {
    ...atLeast(f.book, waitRules.whiteGlueMin),
    max: null,
    why: 'The glue is hard before anything is trimmed or drawn.',
  }

/** What edges are turned in with. */
export function foldGlueOf({ work, book }: Pick<Facts, 'work' | 'book'>): Glue {
  const glues: Record<Ways['foldGlue'], () => Glue> = {
    'rubber solution': () => ({
      name: 'Rubber solution',
      open: {
        ...atLeast(book, waitRules.rubberMin),
        max: book.value(waitRules.rubberMax),
        why: 'Rubber solution: touch-dry, then fold.',
        late: 'A second thin coat over the first one.',
      },
      sets: null,
      cautions: ['cement'],
    }),
    'contact cement': () => ({
      name: 'Contact cement',
      open: {
        ...atLeast(book, waitRules.contactMin),
        max: book.value(waitRules.contactMax),
        why: 'A thin coat: what is folded wrong stays so.',
        late: WARM,
      },
      sets: null,
      cautions: ['cement'],
    }),
    'double-sided tape': () => ({ name: 'Double-sided tape', open: null, sets: null, cautions: [] }),
  }
  return glues[work.ways.foldGlue]()
}

/** What leather stiffeners and puffs are set with; it has its own clock, and dries overnight. */
export function pasteOf({ work, book }: Pick<Facts, 'work' | 'book'>): { name: string; dries: Wait; said: string } {
  const dries: Wait = {
    ...atLeast(book, waitRules.overnight),
    max: null,
    why: 'Overnight, so that the shell is dry before it is loaded.',
  }
  const pastes: Record<Ways['paste'], { name: string; said: string }> = {
    'own paste': {
      name: 'Own paste',
      said: 'Rubbed in on both faces; damp, it can be taken up and laid again.',
    },
    'ready-made paste': { name: 'Paste', said: 'Rubbed in on both faces; it stays workable while it is damp.' },
    'white glue': {
      name: 'White glue',
      said: 'Thinned a little, on both faces; it cannot be worked again once it has set.',
    },
  }
  return { ...pastes[work.ways.paste], dries }
}

/** Grams for so much area (mm²), on so many faces. */
export const grams = (
  book: Facts['book'],
  rule: typeof stuffRules.cement | typeof stuffRules.paste,
  area: number,
  faces: number,
  name: string,
): Stuff => {
  const each = book.value(rule)
  return {
    name,
    amount: Math.max(1, Math.round((area / 10_000) * faces * each)),
    unit: 'g',
    sentence: `${(area / 10_000).toFixed(1)} dm² on ${faces === 1 ? 'one face' : `${faces} faces`} at ${each} grams.`,
  }
}
