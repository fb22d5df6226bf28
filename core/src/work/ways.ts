import { traitsOf } from '../model/construction.ts'
import { isSheet } from '../model/material.ts'
import { wayNames, Ways, type WayName } from '../model/work.ts'
import { has, type Facts } from './facts.ts'

/** What a question is about, and when a pair asks it. */
interface Way<N extends WayName> {
  name: string
  /** Whether the answer makes a difference to this pair. */
  asked: (f: Facts) => boolean
  /** What each answer gains and costs. */
  answers: Record<Ways[N], { gains: string; costs: string }>
}

/** The schools: every answer says what it gains and what it costs. */
export const ways: { [N in WayName]: Way<N> } = {
  lasting: {
    name: 'Lasting',
    asked: () => true,
    answers: {
      'together at the back': {
        gains: 'Upper, stiffener and lining set as one shell; one pass at the heel.',
        costs: 'The stiffener cannot be seen while it is pulled: it slides, or the lining creases under it.',
      },
      'lining first': {
        gains: 'Lining, stiffener and puff are seen, compared and thinned on the last before the upper hides them.',
        costs: 'Two passes round the whole last, and a night between for the shells to dry.',
      },
    },
  },
  rest: {
    name: 'Before the pull',
    asked: () => true,
    answers: {
      'pulled at once': {
        gains: 'No days lost.',
        costs: 'What the leather gives later shows as a loose top line; the last stays in longer.',
      },
      'drafted and left': {
        gains: 'The leather gets used to the shape; what it gives is drawn out in the last pull.',
        costs: 'A day or more, with the last in use.',
      },
      'wetted and left': {
        gains: 'Damp leather closes up over the toe with fewer tucks and keeps the shape it dries in.',
        costs: 'Days on the last until it is dry through; light leather may show the edge of the water.',
      },
    },
  },
  pull: {
    name: 'Pulling',
    asked: () => true,
    answers: {
      'by hand': {
        gains: 'Every tuck is felt and shared out; any last, any leather.',
        costs: 'Half an hour and more a shoe.',
      },
      'by machine': {
        gains: 'The toe is down in a minute, evenly on both shoes.',
        costs: 'Needs its guards, its pads and a margin of one width; nothing is felt.',
      },
    },
  },
  puff: {
    name: 'Toe puff',
    asked: (f) => has(f, 'puff') && !isSheet(f.materials.puff),
    answers: {
      'pasted wet': {
        gains: 'One go: it sets in place with the lining.',
        costs: 'Its thickness can only be rasped afterwards, on the shoe.',
      },
      'formed on the last': {
        gains: 'Dried and taken off, it is trimmed and thinned on the bench: no ridge.',
        costs: 'A night more, and both have to go back to the very same place.',
      },
    },
  },
  paste: {
    name: 'Stiffener and puff are set with',
    asked: (f) => !isSheet(f.materials.stiffener) || !isSheet(f.materials.puff),
    answers: {
      'own paste': {
        gains: 'Stays workable for hours, can be taken up again, and sets as hard as wood.',
        costs: 'Has to be cooked and used within days; a whole night to dry.',
      },
      'ready-made paste': {
        gains: 'Always at hand, works as paste does.',
        costs: 'A night to dry, and what is in it is its maker’s.',
      },
      'white glue': {
        gains: 'At hand everywhere, sets faster.',
        costs: 'Cannot be taken up again, and is never quite as stiff.',
      },
    },
  },
  cement: {
    name: 'Soles and margins are stuck with',
    asked: () => true,
    answers: {
      'contact cement': {
        gains: 'Holds at once; wakes again with warmth.',
        costs: 'Solvent in the air; a quarter of an hour open, and not for long.',
      },
      neoprene: {
        gains: 'Holds stronger and against heat; dry in ten minutes.',
        costs: 'Solvent in the air; what touches is not moved again.',
      },
      'heat-set glue': {
        gains: 'Hardly any solvent, waits for days until heat wakes it.',
        costs: 'A press or hot air, and its right heat, at every joint.',
      },
      'white glue': {
        gains: 'No solvent, can be shifted while it is wet.',
        costs: 'Sets slowly under pressure, and water loosens it.',
      },
    },
  },
  foldGlue: {
    name: 'Edges and tapes are stuck with',
    asked: () => true,
    answers: {
      'rubber solution': {
        gains: 'Peels off again: a fold that is wrong is laid once more.',
        costs: 'Holds only until it is sewn.',
      },
      'contact cement': {
        gains: 'Holds for good.',
        costs: 'A fold that is wrong stays wrong; it may harden the edge.',
      },
      'double-sided tape': { gains: 'No wait, no solvent.', costs: 'Gums the needle, stiff in hollow curves.' },
    },
  },
  edges: {
    name: 'Raw edges are',
    asked: () => true,
    answers: {
      dyed: { gains: 'Quick, no heat near the leather.', costs: 'Fibres may stand up and catch the light.' },
      'singed and dyed': {
        gains: 'The edge is closed and smooth.',
        costs: 'A flame or hot iron: thin leather shrinks.',
      },
    },
  },
  holes: {
    name: 'Holes of hand seams',
    asked: (f) =>
      [f.shoes.right, f.shoes.left].some((s) => s.seams.some((x) => x.way === 'hand' && x.sewnWith !== 'sole')),
    answers: {
      'punched ahead': {
        gains: 'Even stitches, the same number on both partners.',
        costs: 'A hole once punched cannot be moved.',
      },
      'pierced when joined': {
        gains: 'The seam follows what is really there.',
        costs: 'Slower, and as even as the hand is.',
      },
    },
  },
  soles: {
    name: 'Midsole and outsole are',
    asked: (f) => has(f, 'midsole', 'outsole'),
    answers: {
      'cut to the lasted shoe': {
        gains: 'What the leather really did is in the outline: tried on in paper first.',
        costs: 'The bottom waits for the upper.',
      },
      'cut ahead': {
        gains: 'All cutting in one go, the sole’s edge can be dyed while the shoe dries.',
        costs: 'At the maker’s risk: a shoe that came out fuller needs another sole.',
      },
    },
  },
  wrap: {
    name: 'While the bottom is made the upper is',
    asked: () => true,
    answers: {
      bare: { gains: 'Seen all the time.', costs: 'Glue, wax and dust find it.' },
      wrapped: {
        gains: 'Comes out as clean as it was lasted.',
        costs: 'Ten minutes, and damp leather cannot breathe.',
      },
    },
  },
  lastOut: {
    name: 'The last comes out',
    asked: (f) => !traitsOf(f.construction).outwards,
    answers: {
      'after the sole': {
        gains: 'Something to press and hammer on until the edge is done.',
        costs: 'The last is in use for all that time; nothing can be sewn or screwed from inside.',
      },
      'before the sole': {
        gains: 'The last is free for the next pair; heels can be screwed and walls sewn from inside.',
        costs: 'The shoe may lose its shape under the press: it needs a filler last or a hand inside.',
      },
    },
  },
  heel: {
    name: 'Heels are fixed with',
    asked: (f) => has(f, 'topPiece', 'heelLift'),
    answers: {
      nails: { gains: 'Fast, and hold in leather and board.', costs: 'Rust in wet shoes, and points have to be cut.' },
      pegs: {
        gains: 'Swell and hold for good, nothing to rust or to scratch a floor.',
        costs: 'Each hole is made first.',
      },
      screws: {
        gains: 'Drawn tight from inside, can be undone.',
        costs: 'The last has to be out; heads must be covered.',
      },
    },
  },
  cup: {
    name: 'The cup is',
    asked: (f) => traitsOf(f.construction).inCup,
    answers: {
      'glued and sewn': { gains: 'Holds when the glue has aged.', costs: 'An hour a shoe, with the needle inside it.' },
      'glued alone': { gains: 'Done when it is pressed.', costs: 'Glue alone is weak: toes come loose first.' },
    },
  },
}

/** Questions that make a difference to a pair. */
export const waysAsked = (f: Facts): WayName[] => wayNames.filter((name) => ways[name].asked(f))

/** The answers that count for a pair: what it does not ask goes by the first. */
export function waysThatCount(f: Facts): Ways {
  const chosen: Record<string, string> = {}
  for (const name of waysAsked(f)) chosen[name] = f.work.ways[name]
  return Ways.parse(chosen)
}
