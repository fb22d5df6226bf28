import type { Rule } from '../../trade/rules.ts'

export const unitRules = {
  edge: {
    key: 'unit.edge',
    name: 'Edge of a flat unit outside the lasted shoe',
    value: 2.5,
    min: 0,
    max: 8,
    unit: 'mm',
    why: 'So much stays when it is trimmed: less rubs the upper, more catches.',
  },
  spare: {
    key: 'unit.spare',
    name: 'Trimmed off a flat unit, up to',
    value: 8,
    min: 1,
    max: 25,
    unit: 'mm',
    why: 'What is wider is cut off with a knife before it is ground.',
  },
  thickness: {
    key: 'unit.thickness',
    name: 'Thickness of a flat unit that was not measured',
    value: 8,
    min: 3,
    max: 40,
    unit: 'mm',
    why: 'A usual sheet of crepe or rubber.',
  },
} satisfies Record<string, Rule>
