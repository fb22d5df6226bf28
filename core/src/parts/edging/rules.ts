import type { Rule } from '../../trade/rules.ts'

/** How strips along the opening are cut and thinned. */
export const edgingRules = {
  thickness: {
    key: 'edging.thickness',
    name: 'Bead or binding skived to',
    value: 0.8,
    min: 0.4,
    max: 1.6,
    unit: 'mm',
    why: 'Two of it lie at a beaded edge, and a binding goes all round it: thicker, the edge gets hard and heavy; thinner, it wears through.',
  },
  legEdge: {
    key: 'edging.legEdge',
    name: 'Long edges of a bead, inner edge of a binding skived to nothing over',
    value: 5,
    min: 2,
    max: 10,
    unit: 'mm',
    why: 'The legs of a bead end between upper and lining, a binding ends on the lining: a cut edge would be seen or felt there.',
  },
  ends: {
    key: 'edging.ends',
    name: 'Ends of a strip skived to nothing over',
    value: 15,
    min: 5,
    max: 30,
    unit: 'mm',
    why: 'Where one end lies on the other the edge stays as thick as everywhere else.',
  },
  behind: {
    key: 'edging.behindRow',
    name: 'Long leg of a bead past the row that it lies behind',
    value: 3,
    min: 1,
    max: 8,
    unit: 'mm',
    why: 'Every hole must have the bead behind it, or the lining shows through and the stitch holds the upper alone.',
  },
  tape: {
    key: 'edging.tape',
    name: 'Tape along the top line, width',
    value: 4,
    min: 2,
    max: 10,
    unit: 'mm',
    why: 'It lies inside the fold; wider than the fold, it would be felt beside it.',
  },
} satisfies Record<string, Rule>
