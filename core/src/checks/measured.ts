import type { Because } from '../trade/because.ts'
import type { Rule, RuleBook } from '../trade/rules.ts'
import type { Side } from '../trade/side.ts'
import type { Sentence } from '../units/sentence.ts'
import type { OpenAt } from '../upper/upper.ts'
import type { Bound, Miss, WayBack } from './check.ts'
import { checkRules } from './rules.ts'

/** What of a planned shoe is measured while it is made; null where it has no such thing. mm. */
export interface ShoeFigures {
  /** How far the closed base pattern stands off the last's back, how far it may, and what mends it. */
  backGap: { planned: number; limit: number; mend: Sentence } | null
  /** Top line over the feather. */
  back: number | null
  ankle: Readonly<Record<'lateral' | 'medial', number>> | null
  /** From the toe by tape along the ridge to the throat. */
  throat: number | null
  /** From the toe by tape over the toe box to the back edge of the puff. */
  puff: number | null
  /** From the back to the stiffener's tips, along the feather. */
  tips: Readonly<Record<'lateral' | 'medial', number>> | null
  /** What the midsole stands out past the lasted shoe, and the least that it may. */
  room: { planned: number; least: number } | null
  /** What is built under the seat, at the back. */
  heel: number | null
  /** Height of the sole's tip over the ground. */
  spring: number
  open: OpenAt
  /** Tacks to be drawn from under the shoe; 0 where none are. */
  tacks: number
}

/** A check that is measured, before it is known which of its steps a pair has. */
export interface Draft {
  id: string
  name: string
  how: Sentence
  /** Keys of the steps at which it is measured: the first that this pair has. */
  at: readonly string[]
  of: (shoe: ShoeFigures) => number | null
  bound: (shoe: ShoeFigures) => Bound
  between?: Rule
  rule?: Rule
  unit?: Extract<Because['unit'], 'mm' | 'count'>
  /** Only once for both shoes. */
  once?: boolean
  back: Partial<Record<Miss, Omit<WayBack, 'step'> & { to: readonly string[] }>>
}

/** Steps at which an upper's back hangs on the last. */
const BACK = ['last-back', 'last-upper', 'last-lining']
const DOWN = ['last-toe', 'last-upper', 'turn-out', 'last-back']
const ROOMS = [
  { id: 'toe', name: 'at the toe', how: 'in front of the toe' },
  { id: 'medial', name: 'at the medial joint', how: 'beside the big toe’s joint' },
  { id: 'lateral', name: 'at the lateral joint', how: 'beside the little toe’s joint' },
  { id: 'seat', name: 'at the seat', how: 'behind the seat' },
] as const

const height = (
  book: RuleBook,
  id: string,
  name: string,
  how: Sentence,
  of: (shoe: ShoeFigures) => number | null,
): Draft => ({
  id,
  name,
  how,
  at: BACK,
  of,
  bound: () => ({ kind: 'near', tolerance: book.value(checkRules.height) }),
  between: checkRules.feet,
  rule: checkRules.height,
  back: {
    over: {
      to: BACK,
      why: 'the upper is not far enough down, and its margin comes out short underneath',
      mend: 'Draw the tacks of the seat, pull down in small steps on both sides in turn, and measure again before the paste sets.',
    },
    under: {
      to: BACK,
      why: 'the upper was drawn too far down',
      mend: 'Draw the tacks of the seat and of the waist, push the top line up with the thumbs, tack again with less pull.',
    },
    unlike: {
      to: BACK,
      why: 'the two shoes stand side by side',
      mend: 'Draw the tacks at its seat and bring it to the height of the other one.',
    },
  },
})

const tips = (book: RuleBook, side: Side): Draft => ({
  id: `tip.${side}`,
  name: `Stiffener’s ${side} tip`,
  how: `With a tape along the feather, from the middle of the heel to where the ${side} tip is felt.`,
  at: BACK,
  of: (shoe) => shoe.tips?.[side] ?? null,
  bound: () => ({ kind: 'near', tolerance: book.value(checkRules.tips) }),
  between: checkRules.tips,
  rule: checkRules.tips,
  back: {
    over: {
      to: ['paste-stiffener'],
      why: 'the stiffener lies too far round to this side',
      mend: 'Lift the upper while the paste is wet and slide the stiffener until its middle is on the back seam.',
    },
    under: {
      to: ['paste-stiffener'],
      why: 'the stiffener lies too far round to the other side, or slid down',
      mend: 'Lift the upper while the paste is wet and slide the stiffener until its middle is on the back seam; a loose stitch at the top holds it.',
    },
    unlike: {
      to: ['paste-stiffener'],
      why: 'one shoe holds the foot further forward than the other',
      mend: 'Lift the upper while the paste is wet and lay this one as the other.',
    },
  },
})

const room = (place: (typeof ROOMS)[number]): Draft => ({
  id: `room.${place.id}`,
  name: `Midsole’s room ${place.name}`,
  how: `With a rule on the midsole ${place.how}, from the upper out to the edge.`,
  at: ['press-midsole'],
  of: (shoe) => shoe.room?.planned ?? null,
  bound: (shoe) => ({ kind: 'at least', limit: shoe.room?.least ?? 0 }),
  back: {
    under: {
      to: ['cut-midsole'],
      why: 'the awl would cut the upper here, or nothing is left to trim',
      mend: 'Take the midsole off while the cement gives to heat, trace the lasted shoe, and cut it anew with its room.',
    },
  },
})

/** Everything that is measured on a shoe, with what it means where it misses and what is done then. */
export function measuredChecks(book: RuleBook): Draft[] {
  return [
    {
      id: 'backGap',
      name: 'Back gap on the last',
      how: 'Close the paper over the last, drawn forward until it touches, and look below mid-height: a strip of card tells how far it stands off.',
      at: ['check-base'],
      of: (shoe) => shoe.backGap?.planned ?? null,
      bound: (shoe) => ({ kind: 'at most', limit: shoe.backGap?.limit ?? 0 }),
      once: true,
      back: {
        over: {
          to: ['print'],
          why: 'a back line that is too flat makes thick folds at the seat',
          mend: 'Take the back line in at its foot, growing smoothly from nothing at mid-height; print the parts anew: stiffener and linings follow it.',
        },
      },
    },
    height(
      book,
      'backHeight',
      'Height at the back',
      'From the feather up the back to the top line.',
      (shoe) => shoe.back,
    ),
    ...(['lateral', 'medial'] as const).map((side) =>
      height(
        book,
        `ankle.${side}`,
        `Height under the ${side} ankle`,
        `Where the ${side} top line is lowest, straight up the wall from the feather.`,
        (shoe) => shoe.ankle?.[side] ?? null,
      ),
    ),
    tips(book, 'lateral'),
    tips(book, 'medial'),
    {
      id: 'puffBack',
      name: 'Back edge of the puff',
      how: 'With a tape over the toe box, from the foremost point of the toe.',
      at: ['set-puff', 'trim-puff', 'shave-puff'],
      of: (shoe) => shoe.puff,
      bound: () => ({ kind: 'near', tolerance: book.value(checkRules.puff) }),
      between: checkRules.feet,
      rule: checkRules.puff,
      back: {
        over: {
          to: ['set-puff', 'trim-puff'],
          why: 'its edge would lie where the toe bends, and press on the big toe',
          mend: 'While it is damp, draw it forward; when it has dried, pare it back to its line and shave the edge to nothing.',
        },
        under: {
          to: ['set-puff', 'trim-puff'],
          why: 'the toe box would not be held',
          mend: 'While it is damp, push it back to its line; when it has dried, soak it off and set it again.',
        },
        unlike: {
          to: ['set-puff', 'trim-puff'],
          why: 'the toes would not look alike',
          mend: 'Bring it to the line of the other shoe while it is damp.',
        },
      },
    },
    {
      id: 'throat',
      name: 'Throat, from the toe',
      how: 'With a tape from the foremost point of the toe along the middle to the throat.',
      at: DOWN,
      of: (shoe) => shoe.throat,
      bound: () => ({ kind: 'near', tolerance: book.value(checkRules.throat) }),
      between: checkRules.feet,
      rule: checkRules.throat,
      back: {
        over: {
          to: DOWN,
          why: 'the toe was not pulled down far enough',
          mend: 'Draw the tacks of the toe, pull it down until the throat is on its line, tack again.',
        },
        under: {
          to: DOWN,
          why: 'the toe was pulled down too far',
          mend: 'Draw the tacks of the toe, let it back until the throat is on its line, tack again.',
        },
        unlike: {
          to: DOWN,
          why: 'the two throats are seen side by side',
          mend: 'Draw the tacks of its toe and bring the throat to where the other one is.',
        },
      },
    },
    {
      id: 'throatMiddle',
      name: 'Throat beside the middle',
      how: 'Seen from above: how far the middle of the throat lies beside the middle line of the last.',
      at: DOWN,
      of: (shoe) => (shoe.throat === null ? null : 0),
      bound: () => ({ kind: 'at most', limit: book.value(checkRules.middle) }),
      rule: checkRules.middle,
      back: {
        over: {
          to: DOWN,
          why: 'the upper was pulled to one side, and the shoe will look and wear crooked',
          mend: 'Draw the tacks from joint to joint, pull the other side first, both sides in turn.',
        },
      },
    },
    {
      id: 'tacks',
      name: 'Tacks counted back',
      how: 'Count the tacks that came out from under the shoe; then a magnet over the insole.',
      at: ['draw-tacks'],
      of: (shoe) => (shoe.tacks > 0 ? shoe.tacks : null),
      bound: () => ({ kind: 'near', tolerance: 0 }),
      unit: 'count',
      back: {
        under: {
          to: ['draw-tacks'],
          why: 'a tack that is left in is covered by the sole and wounds the foot',
          mend: 'Look along the feather and in the folds at the heel, then with the magnet; nothing is covered before all are out.',
        },
      },
    },
    ...ROOMS.map(room),
    {
      id: 'heel',
      name: 'Height of the heel, at the back',
      how: 'From the sole to the ground at the back of the heel, the shoe on a flat plate.',
      at: ['build-heel'],
      of: (shoe) => shoe.heel,
      bound: () => ({ kind: 'near', tolerance: book.value(checkRules.heel) }),
      between: checkRules.heel,
      rule: checkRules.heel,
      back: {
        over: {
          to: ['build-heel'],
          why: 'the shoe would stand on its tread, and the toe comes down',
          mend: 'Take the top piece off and sand the last lift level, little by little.',
        },
        under: {
          to: ['build-heel'],
          why: 'the shoe would lean back on its heel',
          mend: 'Take the top piece off and lay a thin lift of skived leather in.',
        },
        unlike: {
          to: ['build-heel'],
          why: 'whoever wears them would stand crooked',
          mend: 'Sand the higher one down to the other.',
        },
      },
    },
    {
      id: 'spring',
      name: 'Lift of the toe',
      how: 'Under the tip of the sole, the shoe on a flat plate.',
      at: ['trim-sole', 'last-out'],
      of: (shoe) => shoe.spring,
      bound: () => ({ kind: 'near', tolerance: book.value(checkRules.spring) }),
      between: checkRules.spring,
      rule: checkRules.spring,
      back: {
        over: {
          to: ['build-heel'],
          why: 'the heel is too low for this last',
          mend: 'Measure the heel; a thin lift brings the toe down.',
        },
        under: {
          to: ['build-heel'],
          why: 'the heel is too high for this last, or the sole was bent down while it dried',
          mend: 'Measure the heel; if it is right, damp the sole, bend it up over the last and let it dry so.',
        },
        unlike: {
          to: ['build-heel'],
          why: 'the shoes stand side by side',
          mend: 'Measure both heels first: what differs there differs here.',
        },
      },
    },
  ]
}
