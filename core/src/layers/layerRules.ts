import type { Rule } from '../trade/rules.ts'

export const layerRules = {
  step: {
    key: 'layers.step',
    name: 'Steepest step inside the wall, mm for each mm of run',
    value: 0.4,
    min: 0.2,
    max: 1,
    unit: 'share',
    why: 'A steeper step is felt by the foot, and shows through the upper as a ridge.',
  },
  turnShare: {
    key: 'layers.turnShare',
    name: 'Thickest stack that turns, share of the margin',
    value: 0.6,
    min: 0.3,
    max: 1,
    unit: 'share',
    why: 'A stack thicker than this will not bend round the feather line within its own margin.',
  },
  bulk: {
    key: 'layers.bulk',
    name: 'Thickest wall',
    value: 7,
    min: 4,
    max: 12,
    unit: 'mm',
    why: 'More than this looks clumsy and stands off from the last.',
  },
  crowded: {
    key: 'layers.crowded',
    name: 'Margin that has to shrink at the seat by at most',
    value: 75,
    min: 20,
    max: 90,
    unit: '%',
    why: 'Past this the folds lie on each other: cut them out before gluing, or the seat stands proud.',
  },
  stretch: {
    key: 'layers.stretch',
    name: 'Turned-out edge that has to stretch by at most',
    value: 40,
    min: 10,
    max: 80,
    unit: '%',
    why: 'Wet upper leather worked over the edge gives about this much; past it the edge tears or stands up.',
  },
} satisfies Record<string, Rule>
