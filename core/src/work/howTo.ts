import type { Sentence } from '../units/sentence.ts'
import type { Step } from './step.ts'
import type { ToolId } from './tools.ts'

/** A card of technique: how something is done with the hands, and at which steps that matters. */
export interface HowTo {
  id: string
  name: string
  text: readonly Sentence[]
  /** Keys of the steps at which it is shown, and tools that bring it along. */
  steps: readonly string[]
  tools: readonly ToolId[]
}

const card = (
  id: string,
  name: string,
  shown: { steps?: readonly string[]; tools?: readonly ToolId[] },
  ...text: Sentence[]
): HowTo => ({ id, name, text, steps: shown.steps ?? [], tools: shown.tools ?? [] })

/** The house's own cards. The workshop writes more beside them. */
export const howToCards: readonly HowTo[] = [
  card(
    'two-needles',
    'The two-needle seam',
    { tools: ['needles'] },
    'One thread, a needle at either end. Pass the first needle through the first hole and hold both ends up together: when they are of one length the thread lies evenly.',
    'At every hole the far needle comes through first; the near one goes in behind it, on the same side of that thread each time. Draw both out sideways until the stitch beds in, never upwards: that tears the hole.',
    'Every dozen stitches hold both needles up again. If one end has grown longer, the seam was drawn harder on that side.',
  ),
  card(
    'anchor-needle',
    'Fix the needle in its thread',
    { tools: ['needles'] },
    'Flatten the last two fingers’ width of the thread and wax it. Thread the eye, then run the point twice through the thread’s own strands a little way back.',
    'Draw the eye down over it and roll the end flat between the fingers. It pulls through the hole no thicker than the thread, and does not come off half way.',
  ),
  card(
    'knots',
    'Knots that lie under stitches',
    { tools: ['needles'] },
    'End a row where it will be covered: at the edge that goes under the insole, or between outside and lining.',
    'Go back two stitches with both needles in the holes that are there, then bring both to the hidden side. One flat knot, pulled down into the last hole, the ends cut at a stitch’s length and hammered flat.',
  ),
  card(
    'wax-awl',
    'Wax the awl',
    { tools: ['awl'] },
    'Push the blade into a lump of beeswax every few holes. It goes in with half the force, leaves a clean hole, and the thread slides after it.',
    'Park it in a cork when it is not in the hand.',
  ),
  card(
    'block',
    'A wooden anvil for a closed upper',
    { steps: ['eyelets'], tools: ['block'] },
    'An upper that is closed into a ring cannot lie flat. Shape a block of hard wood to fit inside it, round on top as the upper is, and clamp its foot in the vice.',
    'The upper is drawn over it, so that only one layer lies on the wood; scrap leather on top of the wood saves both punch and thread.',
  ),
  card(
    'back-punch',
    'Back what you punch',
    { tools: ['edgePunch', 'drivePunch', 'fancyPunch'] },
    'Lay scrap leather with its grain up under the piece, and turn it when its holes run together: over a hole the next one is torn, not cut.',
    'Hold the punch upright, one firm blow. Count as you go: both partners of a seam get the same number.',
  ),
  card(
    'one-side',
    'Sew from one side',
    { steps: ['sew-cup', 'sew-down', 'sew-tongue'] },
    'Where one hand cannot get inside, both needles work from outside: pierce slanting, so that the awl comes out again a stitch further on.',
    'A bent needle or a bristle follows the hole by itself. Draw each stitch down before the next is pierced; afterwards none can be reached.',
  ),
  card(
    'split-rivet',
    'Set a split rivet',
    { steps: ['eyelets', 'line-tongue'] },
    'The legs must stand out by one and a half times their own width: shorter they do not hold, longer they fold back into the leather.',
    'Push it through from outside, lay its head on the iron, open the legs with the awl, then turn them down along the grain and set them with two light blows. Run a thumb over it: nothing may be sharp.',
  ),
  card(
    'pliers',
    'Pull and twist with the pliers',
    { tools: ['widePliers', 'narrowPliers'] },
    'Grip the whole thickness, close to the edge, jaws square to the feather. Pull up and over towards the middle of the insole, then turn the wrist so that the heel of the pliers presses the leather down on the edge.',
    'The thumb of the other hand holds what was gained; then the pliers let go and their hammer sets the tack. Wide jaws for the sides, narrow ones between tucks at toe and heel.',
  ),
  card(
    'tack',
    'A tack that comes out again',
    {
      steps: [
        'last-back',
        'last-toe',
        'last-lining',
        'last-lining-toe',
        'last-upper',
        'block-insole',
        'fix-insole',
        'draft-upper',
      ],
    },
    'Driven lightly, leaning away from the pull, its head standing clear. It has to hold for an hour, not for years.',
    'Draw it straight, in the line in which it went in; a bent one tears leather and is thrown away. From a dish to a dish, never from the mouth, and counted.',
  ),
  card(
    'knife-shears',
    'Knife or shears',
    { tools: ['knife', 'shears'] },
    'The knife for everything that has to be true: it leaves the leather flat on the board, and its edge stands square. Shears lift what they cut, and move a soft lining off its line; good for tape, foam, and for roughing out.',
    'Cut along the inside of the line, away from yourself, with the whole arm and not with the wrist.',
  ),
  card(
    'check-cut',
    'Check a cut before you lift it',
    { steps: ['cut-upper', 'cut-lining', 'cut-insole', 'cut-midsole', 'cut-outsole'] },
    'Bend the waste down along the whole line before anything moves. A fibre that still holds shows at once, and is cut in its place; lifted, it tears into the piece.',
  ),
  card(
    'skive',
    'Hold the skiving knife',
    { tools: ['skiver'] },
    'Leather flat on stone or glass, edge towards you over its rim. The blade lies almost flat and moves slanting along the edge, not straight at it: many thin shavings.',
    'Set the guide once for all edges of one kind. Where the blade begins to drag, strop it: a dull one tears, and a torn edge cannot be made good.',
  ),
  card(
    'fold-curve',
    'Fold a curve',
    { steps: ['fold-tape', 'set-bead'] },
    'A hollow curve has too little leather to turn: slit the turn-in every few millimetres, to a millimetre from the line. A round one has too much: small notches, or pleats drawn together with the awl.',
    'Turn with the bone over the tape, press, and hammer lightly from the fold inwards. Do the corner first and work away from it.',
  ),
  card(
    'paste-out',
    'Pasting side out',
    { steps: ['paste-stiffener', 'set-puff'] },
    'Bend the piece over the hand with the side that is pasted out: the coat lies evenly even where it will be hollow, and the pasted faces cannot touch.',
    'Rub the paste in until it no longer shines; what lies on top is only water that has to dry.',
  ),
  card(
    'marks-off',
    'Marks and glue off',
    { steps: ['clean-upper', 'final-check'] },
    'Silver pen comes off with a soft eraser or a drop of spirit on a cloth, tried first where it does not show. Rubber solution rolls off under the finger, contact cement under a piece of crepe.',
    'Before waxing, never after: what is waxed over stays.',
  ),
  card(
    'feather-edge',
    'Hammer the feather edge sharp',
    { steps: ['last-toe', 'last-upper', 'turn-out'] },
    'Small blows with the rounded face, from the wall over the edge to the insole, going round twice. The leather is pressed into itself; nothing is stretched any more.',
    'A seam that stands off the last is warmed a little first, then hammered.',
  ),
  card(
    'close-trim',
    'Trim a lining close to its row',
    { steps: ['join-lining'] },
    'Hold the proud lining up and away, so that it stands square to the row, and run the blade flat along the top edge. Trimming shears with one blunt point do not nick the thread.',
  ),
]

/** Cards that matter at a step. */
export const howTosFor = ({ key, tools }: Pick<Step, 'key' | 'tools'>): HowTo[] =>
  howToCards.filter((c) => c.steps.includes(key) || c.tools.some((t) => tools.includes(t)))
