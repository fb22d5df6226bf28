import type { Rule } from '../trade/rules.ts'

export const fasteningRules = {
  spacing: {
    key: 'work.pegSpacing',
    name: 'Pegs and nails apart',
    value: 10,
    min: 5,
    max: 25,
    unit: 'mm',
    why: 'Closer they split the leather, farther apart the layers gape between them.',
  },
  perMinute: {
    key: 'work.pegsPerMinute',
    name: 'Pegs, nails or screws set in a minute',
    value: 3,
    min: 0.5,
    max: 15,
    unit: 'count',
    why: 'The hole made, the peg set upright and driven.',
  },
} satisfies Record<string, Rule>
