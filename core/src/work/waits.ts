import type { Rule, RuleBook } from '../trade/rules.ts'
import type { Sentence } from '../units/sentence.ts'

const wait = (key: string, name: string, value: number, min: number, max: number, why: Sentence): Rule => ({
  key: `wait.${key}`,
  name,
  value,
  min,
  max,
  unit: 'min',
  why,
})

/** Leather up to this thickness need not be soaked whole. */
export const soakRules = {
  sprayUpTo: {
    key: 'wait.sprayUpTo',
    name: 'Stiffener and puff are only sprayed up to',
    value: 2,
    min: 0,
    max: 4,
    unit: 'mm',
    why: 'Thin leather is wet through by a spray in a few minutes; soaked whole it loses its substance.',
  },
} satisfies Record<string, Rule>

/** How long to wait before the next step, and after how long it is too late, in minutes. */
export const waitRules = {
  soakMin: wait('soakMin', 'Soaking, at least', 20, 10, 60, 'The water has to reach the middle of the leather.'),
  soakMax: wait('soakMax', 'Soaking, at most', 30, 20, 120, 'Longer and the leather loses its substance.'),
  sprayMin: wait(
    'sprayMin',
    'Sprayed thin leather, at least',
    3,
    1,
    15,
    'A spray on both faces and a few minutes are enough for thin leather.',
  ),
  sprayMax: wait('sprayMax', 'Sprayed thin leather, at most', 10, 5, 40, 'After this its surface dries again.'),
  mellowMin: wait('mellowMin', 'Mellowing wrapped, at least', 60, 30, 240, 'The damp has to spread evenly.'),
  mellowMax: wait(
    'mellowMax',
    'Mellowing wrapped, at most',
    720,
    120,
    1440,
    'After half a day it is too dry to take shape.',
  ),
  contactMin: wait(
    'contactMin',
    'Contact cement, at least',
    15,
    5,
    30,
    'The solvent has to leave before the faces meet.',
  ),
  contactMax: wait(
    'contactMax',
    'Contact cement, at most',
    40,
    20,
    90,
    'After this the faces no longer take each other.',
  ),
  neopreneMin: wait('neopreneMin', 'Neoprene, at least', 10, 5, 30, 'Dry to the knuckle before the faces meet.'),
  neopreneMax: wait(
    'neopreneMax',
    'Neoprene, at most',
    40,
    15,
    120,
    'After this the faces no longer take each other without warmth.',
  ),
  heatSetMin: wait(
    'heatSetMin',
    'Heat-set glue, at least',
    20,
    5,
    120,
    'Milky at first; when it is clear its water is gone.',
  ),
  pasteMax: wait(
    'pasteMax',
    'Pasted leather, at most until it is lasted',
    45,
    15,
    180,
    'The paste draws in and dries: after this stiffener and lining no longer slide into place.',
  ),
  draft: wait(
    'draft',
    'Upper left on the last before it is pulled, at least',
    1440,
    300,
    10080,
    'A day at least: the leather gets used to the shape and the last pull takes out what it has given.',
  ),
  wettedRest: wait(
    'wettedRest',
    'Wetted upper on the last, at least',
    7200,
    1440,
    20160,
    'What was wetted has to dry through, with the last in it: five days or more.',
  ),
  whiteGlueMin: wait(
    'whiteGlueMin',
    'White glue, at least',
    30,
    15,
    120,
    'It sets as its water goes into the leather.',
  ),
  rubberMin: wait('rubberMin', 'Rubber solution, at least', 5, 3, 20, 'Touch-dry before the edge is folded.'),
  rubberMax: wait('rubberMax', 'Rubber solution, at most', 10, 6, 60, 'After this it no longer grabs.'),
  overnight: wait(
    'overnight',
    'Paste and wet leather, at least',
    600,
    300,
    2880,
    'Overnight, so that the shell is dry before it is loaded.',
  ),
  dyeCoat: wait('dyeCoat', 'Between coats of dye, at least', 25, 10, 120, 'A wet coat lifts the one below it.'),
  settle: wait(
    'settle',
    'On the last before the last comes out, at least',
    4320,
    1440,
    14400,
    'The leather has to forget that it was flat: three days or more.',
  ),
} satisfies Record<string, Rule>

/** The least that a wait takes, with the rule that says so. */
export const atLeast = (book: RuleBook, rule: Rule): { min: number; rule: string } => ({
  min: book.value(rule),
  rule: rule.key,
})
