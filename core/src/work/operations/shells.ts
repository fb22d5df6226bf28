import { ROUNDING } from '../../geometry/tolerance.ts'
import { signedArea } from '../../geometry/path.ts'
import { isSheet } from '../../model/material.ts'
import type { Foot } from '../../trade/foot.ts'
import { partsOf, sumOfParts, type Facts } from '../facts.ts'
import { fixed, shellEffort } from '../effort.ts'
import { cementOf, grams, pasteOf, stuffRules } from '../glues.ts'
import { bring, eachFoot, operation, want, type Makes, type Operation } from '../operation.ts'
import type { Stuff } from '../step.ts'
import { atLeast, soakRules, waitRules } from '../waits.ts'
import { shellTacks, tacksFor, tacksHurt } from './lastingTacks.ts'

type Shell = 'stiffener' | 'puff'

/** Thin leather is only sprayed (docs/trade.md, "Stiffener"); each foot's piece counts. */
const sprayed = (f: Facts, id: Shell): boolean =>
  partsOf(f, [id]).every((p) => p.thickness <= f.book.value(soakRules.sprayUpTo) + ROUNDING)

const names: Record<Shell, string> = { stiffener: 'stiffeners', puff: 'toe puffs' }

/** Leather takes its shape wet: soaked or sprayed, then wrapped until it is used. */
function wetted(f: Facts, id: Shell): Operation[] {
  if (partsOf(f, [id]).length === 0 || isSheet(f.materials[id])) return []
  const spray = sprayed(f, id)
  const least = (rule: keyof typeof waitRules) => atLeast(f.book, waitRules[rule])
  const value = (rule: keyof typeof waitRules) => f.book.value(waitRules[rule])
  return [
    operation({
      id: `soak-${id}`,
      name: `${spray ? 'Spray' : 'Soak'} the ${names[id]}`,
      group: 'last',
      effort: fixed(3, spray ? 'A spray and a few minutes: it is thin.' : 'About half an hour in water.'),
      wait: spray
        ? {
            ...least('sprayMin'),
            max: value('sprayMax'),
            why: 'Sprayed on both faces: damp through, not wet.',
            late: 'Spray it once more.',
          }
        : {
            ...least('soakMin'),
            max: value('soakMax'),
            why: 'Wet through, but not waterlogged.',
            late: 'Let it dry back in the air until it is only damp.',
          },
      makes: bring([id], 'wetted', 'it is skived dry: wet leather drags under the knife'),
      cautions: ['water'],
      tools: [spray ? 'spray' : 'basin'],
      look: [spray ? 'It bends without a crack.' : 'No more bubbles rise.'],
      parts: [id],
    }),
    operation({
      id: `wrap-${id}`,
      name: `Wrap the ${names[id]} and let them mellow`,
      group: 'last',
      effort: fixed(3, 'Keep them wrapped till they are used.'),
      wait: {
        ...least(spray ? 'sprayMin' : 'mellowMin'),
        max: value('mellowMax'),
        why: 'Wrapped in a damp cloth: between wet and dry it takes shape best.',
        late: 'Spray it and wrap it again.',
      },
      makes: bring([id], 'mellow', 'it has to be wet through'),
      tools: ['basin'],
      look: ['The colour of dry leather again, and cool to the cheek.'],
      parts: [id],
    }),
  ]
}

/** Leather stiffeners and puffs made ready to take their shape. */
export const shellWork = (f: Facts): Operation[] => [...wetted(f, 'stiffener'), ...wetted(f, 'puff')]

const areaOf = (f: Facts, foot: Foot, id: Shell) => sumOfParts(f, [foot], [id], (p) => Math.abs(signedArea(p.outline)))

/** What a shell is set with on one foot: paste where it is leather, cement where it is a sheet. */
const setWith = (f: Facts, foot: Foot, id: Shell): Stuff => {
  const area = areaOf(f, foot, id)
  return isSheet(f.materials[id])
    ? grams(f.book, stuffRules.cement, area, 1, cementOf(f).name)
    : grams(f.book, stuffRules.paste, area, 2, pasteOf(f).name)
}
const SHEET = 'Dry: glue or heat sets it, as the label and data sheet say.'

/** Own paste has to be there. */
const pasteNeeded = (f: Facts, id: Shell) =>
  isSheet(f.materials[id]) ? [] : want(['paste'], 'cut', 'it has to be cooked and cooled')

/** The stiffener goes between upper and lining: slipped in before both are drawn down, or over the lasted lining. */
export function setStiffener(f: Facts): Operation[] {
  if (partsOf(f, ['stiffener']).length === 0) return []
  const sheet = isSheet(f.materials.stiffener)
  const first = f.work.ways.lasting === 'lining first'
  const paste = pasteOf(f)
  return eachFoot((foot) => ({
    id: 'paste-stiffener',
    name: sheet
      ? first
        ? 'Glue the stiffener sheet over the lining'
        : 'Glue the stiffener sheet in'
      : first
        ? 'Paste the stiffener over the lasted lining'
        : 'Paste both faces and slip the stiffener in',
    group: 'last',
    effort: shellEffort(
      f,
      shellTacks(f, foot, 'stiffener'),
      first ? 15 : 8,
      sheet
        ? SHEET
        : first
          ? `${paste.said} Drawn close round the heel with the pliers and held; the edges worked down to nothing.`
          : `${paste.said} Upper, stiffener and lining set as one shell; a loose stitch at the top holds it.`,
    ),
    wait: first
      ? sheet
        ? cementOf(f).sets
        : paste.dries
      : sheet
        ? null
        : {
            min: 0,
            max: f.book.value(waitRules.pasteMax),
            why: 'Paste has a clock too: lasted before it draws in.',
            late:
              f.work.ways.paste === 'white glue'
                ? 'Take it out, wash it off and glue it anew: white glue that has set does not slide.'
                : 'Take it out, damp it and paste it once more.',
          },
    makes: bring(['stiffener'], 'pasted', 'mellow leather takes the shape', { skived: 'its edges are thinned first' }),
    needs: [
      ...pasteNeeded(f, 'stiffener'),
      ...(first
        ? want(['shoe'], 'lining trimmed', 'it lies on the lasted lining')
        : [
            ...want(['upper'], 'damp', 'the upper must be finished'),
            ...want(['shoe'], 'drafted', 'the upper has to have got used to the last'),
          ]),
    ],
    cautions: sheet ? [...cementOf(f).cautions, 'heat'] : tacksHurt(shellTacks(f, foot, 'stiffener')),
    tools: sheet ? ['brush', 'warm'] : ['brush', ...(first ? (['widePliers', 'hammer'] as const) : [])],
    stuff: [setWith(f, foot, 'stiffener'), ...tacksFor(shellTacks(f, foot, 'stiffener'))],
    look: [
      first
        ? 'The top edge follows the top line, of one height left and right.'
        : 'It has not slid down: its top is felt just below the top line, in the middle.',
    ],
    parts: ['stiffener'],
  }))
}

const counted = (tacks: number): string[] => (tacks > 0 ? [`${tacks} tacks counted back.`] : [])

/** The puff over the toe of the lasted lining: pasted wet, or formed there first. */
export function setPuff(f: Facts): Operation[] {
  if (partsOf(f, ['puff']).length === 0) return []
  const sheet = isSheet(f.materials.puff)
  const formed = !sheet && f.work.ways.puff === 'formed on the last'
  const paste = pasteOf(f)
  const together = f.work.ways.lasting !== 'lining first'
  /** What hangs over the back already is not left to crease. */
  const left = together
    ? ['Left overnight, the upper is pulled down over the toe and held by one tack, so that it does not crease.']
    : []
  const toes = 'Compare both toes: back edges at one place, no ridge.'
  const lines: Makes['whyAfter'] = { 'lining lasted': 'the lining lies slack before the puff' }
  return [
    ...(formed
      ? [
          ...eachFoot((foot) => ({
            id: 'form-puff',
            name: 'Form the wet puff over the toe',
            group: 'last' as const,
            effort: shellEffort(
              f,
              shellTacks(f, foot, 'puff'),
              12,
              'Without paste over the lining, on a thin sheet; drawn down and held.',
            ),
            wait: { ...paste.dries, max: null, why: 'Overnight: dry, it keeps the shape of the toe.' },
            makes: bring(['shoe'], 'puff formed', 'it takes its shape over the lining, which is trimmed first', lines),
            needs: want(['puff'], 'mellow', 'it is worked wet'),
            cautions: tacksHurt(shellTacks(f, foot, 'puff')),
            tools: ['narrowPliers', 'hammer'] as const,
            stuff: tacksFor(shellTacks(f, foot, 'puff')),
            look: [toes, ...left],
            parts: ['puff'],
          })),
          ...eachFoot((foot) => ({
            id: 'trim-puff',
            name: 'Take the puff off, trim and thin it',
            group: 'last' as const,
            effort: fixed(
              8,
              `${shellTacks(f, foot, 'puff') > 0 ? 'Its tacks drawn; back' : 'Back'} edge to nothing, margin to its line, off the last and dry.`,
            ),
            makes: bring(['shoe'], 'puff trimmed', 'dry, it keeps its shape off the last'),
            cautions: ['knife', 'tacks'] as const,
            tools: ['puller', 'skiver'] as const,
            look: [...counted(shellTacks(f, foot, 'puff')), 'Its back edge vanishes under the thumb.'],
            parts: ['puff'],
          })),
        ]
      : []),
    ...eachFoot((foot) => ({
      id: 'set-puff',
      name: sheet
        ? 'Glue the puff over the toe and press it down'
        : formed
          ? 'Glue the formed puff on'
          : 'Paste the puff over the toe and work it down',
      group: 'last',
      effort: shellEffort(
        f,
        formed ? 0 : shellTacks(f, foot, 'puff'),
        sheet || formed ? 8 : 12,
        sheet
          ? `${SHEET} Compare both toes while it still gives.`
          : formed
            ? 'It fits already: a thin coat on both faces, pressed from the middle.'
            : `${paste.said} Compare both toes while the leather is still mellow.`,
      ),
      wait: sheet
        ? cementOf(f).sets
        : { ...paste.dries, max: null, why: 'The puff is dry before the upper comes down.' },
      makes: bring(['shoe'], 'puffed', 'the lining is down and trimmed before the puff', {
        ...lines,
        'puff trimmed': 'it is formed and trimmed before it is glued',
      }),
      needs: [
        ...(formed ? [] : want(['puff'], 'mellow', sheet ? 'its edge is thinned first' : 'it is worked wet')),
        ...pasteNeeded(f, 'puff'),
      ],
      cautions: sheet ? [...cementOf(f).cautions, 'heat'] : tacksHurt(formed ? 0 : shellTacks(f, foot, 'puff')),
      tools: sheet ? ['brush', 'warm'] : ['brush', 'narrowPliers', 'hammer'],
      stuff: [setWith(f, foot, 'puff'), ...(formed ? [] : tacksFor(shellTacks(f, foot, 'puff')))],
      look: [toes, ...(sheet ? [] : left)],
      parts: ['puff'],
    })),
    ...eachFoot(() => ({
      id: 'shave-puff',
      name: 'Rasp the puff smooth',
      group: 'last',
      effort: fixed(6, 'No ridge at the back edge; left against right.'),
      makes: bring(['shoe'], 'smoothed', 'a puff that has not set tears under the rasp'),
      cautions: ['dust'],
      tools: ['rasp'],
      look: ['A thin leather laid over it shows no line.'],
      parts: ['puff'],
    })),
  ]
}
