import { feet } from '../../trade/foot.ts'
import { recordOfPiece } from '../../trade/recordName.ts'
import { cm, mm, say } from '../../units/sentence.ts'
import { along, fixed, workRules } from '../effort.ts'
import { partsOf, piecesOf, sumOfPieces, type Facts } from '../facts.ts'
import { foldGlueOf } from '../glues.ts'
import { bring, operation, want, type Makes, type Operation } from '../operation.ts'
import { sewingCautions, sewingTools, sewingUpper, threadFor } from './seamWork.ts'
import { alongOpening, holdsTongue, idsOf, isTongue, linings, outsideRecords, seamsOf } from './seamsByUse.ts'

/** Lining and outside joined along the opening, the lining trimmed where nothing wraps it. */
export function joined(f: Facts): Operation[] {
  const seams = seamsOf(f, (s) => alongOpening(s) && s.kind !== 'bound')
  const linedWith = partsOf(f, linings).map((p) => p.id)
  const between = partsOf(f, ['collarFoam', 'facingTape', 'cornerPatch', 'topTape', 'backStay', 'bead']).map(
    (p) => p.id,
  )
  const wrapped = partsOf(f, ['binding']).length > 0
  const rows = seams.reduce((sum, s) => sum + s.rows * s.length, 0)
  const trim = along(rows, f.book.value(workRules.cutSpeed), 0, '').minutes
  const effort = sewingUpper(f, seams, 10, 'Lining into the outside, mark to mark.')
  return [
    operation({
      id: 'join-lining',
      name: wrapped
        ? 'Join lining and outside at the opening'
        : 'Join lining and outside at the top line, trim the lining',
      group: 'close',
      effort: wrapped
        ? effort
        : {
            ...effort,
            minutes: effort.minutes + trim,
            sentence: say`${effort.sentence} The lining stands proud and is trimmed along ${cm(rows)} at ${mm(f.book.value(workRules.cutSpeed))} a minute.`,
          },
      makes: bring(['upper'], 'joined', ''),
      needs: [
        ...want(outsideRecords(f), 'sewn round', 'outside and lining are stitched apart, then joined'),
        ...want(['outside'], 'side lined', 'side linings lie between outside and lining'),
        ...want(linedWith, 'sewn round', 'outside and lining are stitched apart, then joined'),
        ...want(between, 'stayed behind', 'it lies between outside and lining'),
      ],
      cautions: [...sewingCautions(seams), 'knife'],
      tools: [...sewingTools(seams, true), ...(wrapped ? [] : (['shears'] as const))],
      stuff: threadFor(f, seams),
      look: [
        'The row keeps its distance to the edge all round.',
        ...(wrapped ? [] : (['Lining trimmed flush, the thread not nicked.'] as const)),
      ],
      parts: [...linedWith, ...partsOf(f, ['collarFoam']).map((p) => p.id)],
      seams: idsOf(seams),
    }),
  ]
}

/** A binding round both. */
export function bound(f: Facts): Operation[] {
  const strips = partsOf(f, ['binding']).map((p) => p.id)
  if (strips.length === 0) return []
  const seams = seamsOf(f, (s) => s.kind === 'bound')
  return [
    operation({
      id: 'bind-edge',
      name: 'Bind the edge of the opening',
      group: 'close',
      effort: sewingUpper(
        f,
        seams,
        15,
        'Stitched on outside, rolled over upper and lining, turned in and stitched down.',
      ),
      makes: bring(['upper'], 'bound', 'it wraps upper and lining together'),
      needs: want(strips, 'skived', 'only a thin strip wraps closely'),
      cautions: [...sewingCautions(seams), ...foldGlueOf(f).cautions],
      tools: ['brush', 'bone', ...sewingTools(seams, true)],
      stuff: threadFor(f, seams),
      look: ['Of one width outside and in, no wrinkle in the hollow curves.'],
      parts: strips,
      seams: idsOf(seams),
    }),
  ]
}

/** Lace holes through all layers, with what is set in them. */
export function holes(f: Facts): Operation[] {
  const eyelets = sumOfPieces(f, feet, (p) => p.eyelets)
  const hooks = sumOfPieces(f, feet, (p) => p.hooks)
  const count = eyelets + hooks
  if (count === 0) return []
  const set = f.lacing === 'none' ? 0 : count
  const rate = f.book.value(workRules.holesPerMinute)
  const across = Math.max(...piecesOf(f).map((p) => p.eyelet))
  const laced = piecesOf(f)
    .filter((p) => p.eyelets + p.hooks > 0)
    .map((p) => recordOfPiece(p.id))
  return [
    operation({
      id: 'eyelets',
      name:
        f.lacing === 'none'
          ? 'Punch the lace holes'
          : f.lacing === 'hidden'
            ? 'Punch the facings and set the eyelets inside'
            : hooks > 0
              ? 'Punch the facings, set eyelets and hooks'
              : 'Punch the facings and set the eyelets',
      group: 'close',
      effort: {
        minutes: 4 + (count + set) / rate,
        sentence: say`${count} holes of ${mm(across, 1)}${set > 0 ? ` and ${set} to set` : ''} at ${rate} a minute, and 4 minutes to get ready. Through all layers together, on scrap leather; the upper pairs first, then in turn on both sides.`,
      },
      makes: bring(['upper'], 'holed', 'all layers are punched together'),
      needs: want(
        partsOf(f, ['facingTape']).map((p) => p.id),
        'stayed',
        'the tape must lie under the holes',
      ),
      cautions: ['hammer', ...(set > 0 ? (['machine'] as const) : [])],
      tools: ['drivePunch', ...(set > 0 ? (['eyeletTool'] as const) : [])],
      stuff: [
        ...(set > 0 && eyelets > 0
          ? [{ name: 'Eyelets', amount: eyelets, unit: 'pieces' as const, sentence: 'Both shoes.' }]
          : []),
        ...(set > 0 && hooks > 0
          ? [{ name: 'Hooks', amount: hooks, unit: 'pieces' as const, sentence: 'Both shoes.' }]
          : []),
      ],
      look: ['Every eyelet holds when it is pulled at, none is sharp inside.'],
      parts: laced,
    }),
  ]
}

/** The tongue: lined, and sewn in last of all. */
export function tongue(f: Facts): Operation[] {
  const pieces = piecesOf(f).filter((p) => isTongue(p.id))
  if (pieces.length === 0) return []
  const records = pieces.map((p) => recordOfPiece(p.id))
  const inside = partsOf(f, ['tongueLining', 'tongueFoam']).map((p) => p.id)
  const seams = seamsOf(f, holdsTongue)
  const guards = sumOfPieces(f, feet, (p) => p.guards)
  const made: Makes[] = [
    ...bring(records, 'stayed', 'its edges are finished before it is lined', { cut: 'it has to be cut' }),
    ...bring(inside, 'stayed', 'it is cut wider than the tongue, and trimmed to it'),
  ]
  return [
    ...(inside.length > 0 || guards > 0
      ? [
          operation({
            id: 'line-tongue',
            name: guards > 0 ? 'Line the tongues and cut the lace guards' : 'Line the tongues',
            group: 'close',
            effort: fixed(
              inside.length > 0 ? 12 : 4,
              'Glued over the forepart of the last, so that it takes its curve; trimmed to the tongue.',
            ),
            makes: made,
            cautions: foldGlueOf(f).cautions,
            tools: ['brush', 'shears'],
            look: ['Bent as on the foot, the lining does not wrinkle.'],
            parts: [...records, ...inside],
          }),
        ]
      : []),
    operation({
      id: 'sew-tongue',
      name: 'Stitch the tongue in',
      group: 'close',
      effort: sewingUpper(f, seams, 2, 'Its middle on the middle of the throat.'),
      makes: bring(['upper'], 'tongued', 'outside and lining are stitched apart, then joined', {
        holed: 'with the tongue in the way the facings cannot be laid on the block and punched',
        bound: 'the edge of the opening is finished first',
      }),
      needs: want(records, 'stayed', 'the tongue has to be finished'),
      cautions: sewingCautions(seams),
      tools: sewingTools(seams, true),
      stuff: threadFor(f, seams),
      look: ['It lies in the middle and does not wander when the facings are drawn together.'],
      parts: records,
      seams: idsOf(seams),
    }),
  ]
}
